package org.opensatchel.formats.zip;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.words.Words;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Unreadable;

/** Packages that are documents: what is in them, and whatever may be wrong with them. */
class MembersTest {

    private static byte[] zip(Map<String, byte[]> members) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> member : members.entrySet()) {
                ZipEntry entry = new ZipEntry(member.getKey());
                entry.setMethod(ZipEntry.STORED);
                entry.setSize(member.getValue().length);
                CRC32 sum = new CRC32();
                sum.update(member.getValue());
                entry.setCrc(sum.getValue());
                zip.putNextEntry(entry);
                zip.write(member.getValue());
            }
        }
        return out.toByteArray();
    }

    private static Map<String, byte[]> two(int filler) {
        Map<String, byte[]> members = new LinkedHashMap<>();
        members.put("first.xml", "<a/>".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        members.put("pictures/p.png", new byte[filler]);
        return members;
    }

    private static Members read(byte[] zip) throws IOException, Unreadable {
        return Members.read(new DocumentContent(ProjectPath.of("a.odt"), new ByteArrayInputStream(zip), 64L << 20),
                name -> name.endsWith(".xml"));
    }

    /** Writes another method into both headers of the first member. */
    private static byte[] packedBy(int method, byte[] zip) {
        byte[] changed = zip.clone();
        changed[8] = (byte) method;
        for (int i = 0; i + 4 < changed.length; i++) {
            if (changed[i] == 'P' && changed[i + 1] == 'K' && changed[i + 2] == 1 && changed[i + 3] == 2) {
                changed[i + 10] = (byte) method;
                break;
            }
        }
        return changed;
    }

    @Test
    void whatIsAskedForIsKeptAndEverythingIsNamed() throws Exception {
        Members members = read(zip(two(10)));
        assertThat(members.names()).containsExactlyInAnyOrder("first.xml", "pictures/p.png");
        assertThat(members.contents()).containsOnlyKeys("first.xml");
        assertThat(members.has("pictures")).isTrue();
        assertThat(members.has("Pictures/p.png")).isFalse();
        assertThat(members.hasAlike("Pictures/P.PNG")).isTrue();
    }

    /** Some methods make the library look for a packer that is not on board. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 6, 10, 14, 18, 93, 94, 95, 96, 97, 98, 99, 200})
    void aMemberThatIsPackedAnotherWayIsToldAndTheOthersAreThere(int method) throws Exception {
        Members members = read(packedBy(method, zip(two(10))));
        assertThat(members.contents()).isEmpty();
        assertThat(members.unreadable()).containsOnlyKeys("first.xml");
        assertThat(members.has("pictures/p.png")).isTrue();
    }

    /** A package too long to be held is read in one pass, by its local headers. */
    @ParameterizedTest
    @ValueSource(ints = {0, 93, 95, 99})
    void soItIsInPackagesReadInOnePass(int method) throws Exception {
        byte[] zip = packedBy(method, zip(two(49 << 20)));
        if (method == 0) {
            assertThat(read(zip).contents()).containsOnlyKeys("first.xml");
        } else {
            try {
                assertThat(read(zip).unreadable()).containsOnlyKeys("first.xml");
            } catch (Unreadable told) {
                assertThat(Words.ENGLISH.text(told.problem().what())).contains("pack");
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 10, 30, 60})
    void aCutPackageIsToldAsSuch(int length) throws IOException {
        byte[] zip = zip(two(10));
        assertThatThrownBy(() -> read(java.util.Arrays.copyOf(zip, length))).isInstanceOf(Unreadable.class);
    }

    /** What is not asked for is not unpacked, and is told all the same when it could only do harm. */
    @Test
    void aPackageThatUnpacksToVeryMuchMoreIsTold() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("first.xml"));
            zip.write("<a/>".getBytes(java.nio.charset.StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("model.bin"));
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 64; i++) {
                zip.write(zeros);
            }
        }
        assertThatThrownBy(() -> read(out.toByteArray())).isInstanceOfSatisfying(Unreadable.class,
                told -> assertThat(Words.ENGLISH.text(told.problem().what())).contains("more than 200 times"));
    }
}
