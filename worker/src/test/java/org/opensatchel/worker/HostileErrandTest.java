package org.opensatchel.worker;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.roster.RosterChoice;
import org.opensatchel.worker.Delivered.Fault;

/**
 * Archives made to do harm, among many people's work and as kit packages: the one is told, the others are taken in, and nothing is written
 * beyond what is allowed.
 */
class HostileErrandTest {

    private static final int ALLOWED = 1 << 20;
    private static final int FLOOD = 64 << 20;
    private static final String MARKER = "satchel.kit.json";

    @TempDir
    Path folder;

    /** Archives of one person that are no ordinary ones; what stands beside each is what may become of it. */
    enum Bad {
        /** Says that it holds ten bytes, and holds very many: nothing of it is unpacked here, and its check will tell. */
        LIES_ABOUT_ITS_SIZE(null) {
            @Override
            byte[] archive() throws IOException {
                return lying(zip("Marsh/a.bin", new byte[FLOOD]), 10);
            }
        },
        /** A marker as large as a film. */
        MARKER_OF_ZEROS(Fault.UNREADABLE) {
            @Override
            byte[] archive() throws IOException {
                return zip("Marsh/" + MARKER, new byte[FLOOD]);
            }
        },
        /** A marker of a hundred thousand nested lists. */
        DEEP_MARKER(null) {
            @Override
            byte[] archive() throws IOException {
                return zip("Marsh/" + MARKER, ("[".repeat(100_000) + "]".repeat(100_000)).getBytes(StandardCharsets.UTF_8));
            }
        },
        /** More names than a project may have. */
        VERY_MANY_NAMES(Fault.UNREADABLE) {
            @Override
            byte[] archive() throws IOException {
                ByteArrayOutputStream bytes = new ByteArrayOutputStream();
                try (ZipOutputStream out = new ZipOutputStream(bytes)) {
                    out.setMethod(ZipOutputStream.DEFLATED);
                    for (int i = 0; i < 200_001; i++) {
                        out.putNextEntry(new ZipEntry("m/" + i));
                    }
                }
                return bytes.toByteArray();
            }
        },
        /** A name that goes ten thousand folders up, which its check tells. */
        UP_AND_AWAY(null) {
            @Override
            byte[] archive() throws IOException {
                return zip("../".repeat(10_000) + MARKER, "{}".getBytes(StandardCharsets.UTF_8));
            }
        },
        /** Archives in archives are not opened, however deep. */
        NESTED(null) {
            @Override
            byte[] archive() throws IOException {
                byte[] at = new byte[1_000];
                for (int i = 0; i < 50; i++) {
                    at = zip("m.zip", at);
                }
                return at;
            }
        };

        private final Optional<Fault> fault;

        Bad(Fault fault) {
            this.fault = Optional.ofNullable(fault);
        }

        abstract byte[] archive() throws IOException;
    }

    private static byte[] zip(Object... files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (int i = 0; i < files.length; i += 2) {
                out.putNextEntry(new ZipEntry((String) files[i]));
                out.write((byte[]) files[i + 1]);
            }
        }
        return bytes.toByteArray();
    }

    /** The same archive, whose list says another size of its first file (APPNOTE 6.3.10, section 4.3.12). */
    private static byte[] lying(byte[] archive, int bytes) {
        ByteBuffer at = ByteBuffer.wrap(archive).order(ByteOrder.LITTLE_ENDIAN);
        int list = at.getInt(archive.length - 6);
        at.putInt(list + 24, bytes);
        return archive;
    }

    private List<Errand.Lot> lots(Path batch) {
        return List.of(new Errand.Lot(new Errand.Project(batch.toString(), "", WorkOrder.Form.ZIP, ReadLimits.DEFAULT), Optional.empty()));
    }

    private <T> T answer(Errand errand, Class<T> type) throws IOException {
        return JsonDocuments.MAPPER.readValue(Errand.read(errand.bytes()).answer(), type);
    }

    private List<Path> temporary() throws IOException {
        try (Stream<Path> all = Files.list(Path.of(System.getProperty("java.io.tmpdir")))) {
            return all.filter(path -> path.getFileName().toString().startsWith("satchel-intake")).toList();
        }
    }

    @ParameterizedTest
    @EnumSource
    void oneBadArchiveAmongManyIsToldAndTheOthersComeIn(Bad bad) throws IOException {
        Path batch = Files.write(folder.resolve("batch.zip"), zip("Marsh_Ottoline/x.zip", bad.archive(), "Rudge_Odile/x.zip",
                zip("Rudge_Odile/a.txt", "a".getBytes(StandardCharsets.UTF_8))));
        List<Path> before = temporary();
        Delivered.All all = answer(new Errand.Look(lots(batch), 10, 256 << 20), Delivered.All.class);
        assertThat(temporary()).isEqualTo(before);
        assertThat(all.readable()).isTrue();
        assertThat(all.some()).extracting(Delivered::bareName).containsExactly("Marsh_Ottoline", "Rudge_Odile");
        assertThat(all.some().get(0).marker()).isEmpty();
        assertThat(all.some().get(0).fault()).isEqualTo(bad.fault);
        assertThat(all.some().get(1).fault()).isEmpty();
        assertThat(answer(new Errand.Take(lots(batch), 1, "Rudge_Odile", folder.resolve("good").toString(), ALLOWED),
                Delivered.Single.class).fault()).isEmpty();
    }

    /** An entry of the batch that is longer than it says, as an archive and as a file of a folder. */
    @ParameterizedTest
    @EnumSource(Inside.class)
    void whatIsLongerThanItSaysIsNotWrittenOut(Inside inside) throws IOException {
        Path batch = Files.write(folder.resolve("batch.zip"), lying(zip(inside.path, new byte[FLOOD]), 10));
        assertThat(answer(new Errand.Look(lots(batch), 10, 256 << 20), Delivered.All.class).some()).hasSize(1);
        Path to = folder.resolve("one.zip");
        assertThat(answer(new Errand.Take(lots(batch), 0, "Marsh_Ottoline" + inside.ending, to.toString(), ALLOWED), Delivered.Single.class)
                .fault()).isPresent();
        if (Files.exists(to)) {
            assertThat(Files.size(to)).isLessThanOrEqualTo(ALLOWED);
        }
    }

    enum Inside {
        AN_ARCHIVE("Marsh_Ottoline.zip", ".zip"), A_FOLDER("Marsh_Ottoline/a.bin", "");

        private final String path;
        private final String ending;

        Inside(String path, String ending) {
            this.path = path;
            this.ending = ending;
        }
    }

    /** What is honestly larger than there is room for is not begun. */
    @Test
    void whatIsTooLargeIsSaid() throws IOException {
        byte[] film = new byte[FLOOD];
        new Random(5).nextBytes(film);
        Path batch = Files.write(folder.resolve("batch.zip"), zip("Marsh_Ottoline/a.bin", film));
        Path to = folder.resolve("one.zip");
        assertThat(answer(new Errand.Take(lots(batch), 0, "Marsh_Ottoline", to.toString(), ALLOWED), Delivered.Single.class).fault())
                .contains(Fault.TOO_LARGE);
        assertThat(to).doesNotExist();
    }

    @Test
    void ofABatchThatIsABombNothingIsTaken() throws IOException {
        Path batch = Files.write(folder.resolve("batch.zip"), zip("Marsh_Ottoline/a.bin", new byte[FLOOD]));
        assertThat(answer(new Errand.Look(lots(batch), 10, 256 << 20), Delivered.All.class).readable()).isFalse();
        assertThat(answer(new Errand.Take(lots(batch), 0, "Marsh_Ottoline", folder.resolve("one.zip").toString(), ALLOWED),
                Delivered.Single.class).fault()).contains(Fault.UNREADABLE);
    }

    private static byte[] kit(String starter) {
        return ("{\"kit\": 1, \"title\": \"Kettle\", \"root\": {\"name\": \"{last}\"}, \"starter\": [" + starter + "]}")
                .getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] starterKit(byte[] content, int says) {
        return kit("{\"path\": \"story/a.bin\", \"sha256\": \"" + Sha256.of(content) + "\", \"bytes\": " + says + "}");
    }

    /** Kit packages that are made to do harm. */
    enum BadPackage {
        DOCUMENT_OF_ZEROS {
            @Override
            byte[] file() throws IOException {
                return zip("kit.json", new byte[FLOOD]);
            }
        },
        DOCUMENT_THAT_LIES {
            @Override
            byte[] file() throws IOException {
                return lying(zip("kit.json", new byte[FLOOD]), 10);
            }
        },
        DEEP_DOCUMENT {
            @Override
            byte[] file() throws IOException {
                return zip("kit.json", ("{\"kit\":".repeat(10_000) + "1" + "}".repeat(10_000)).getBytes(StandardCharsets.UTF_8));
            }
        },
        STARTER_LONGER_THAN_THE_KIT_SAYS {
            @Override
            byte[] file() throws IOException {
                byte[] content = new byte[FLOOD];
                return zip("kit.json", starterKit(content, 10), "starter/story/a.bin", content);
            }
        },
        STARTER_AS_LARGE_AS_IT_SAYS {
            @Override
            byte[] file() throws IOException {
                byte[] content = new byte[FLOOD];
                return zip("kit.json", starterKit(content, FLOOD), "starter/story/a.bin", content);
            }
        },
        STARTER_LONGER_THAN_THE_ARCHIVE_SAYS {
            @Override
            byte[] file() throws IOException {
                byte[] content = new byte[FLOOD];
                return lying(zip("starter/story/a.bin", content, "kit.json", starterKit(new byte[10], 10)), 10);
            }
        },
        STARTER_OUTSIDE {
            @Override
            byte[] file() throws IOException {
                byte[] content = new byte[10];
                return zip("kit.json", new String(starterKit(content, 10), StandardCharsets.UTF_8)
                        .replace("story/a.bin", "../../a.bin").getBytes(StandardCharsets.UTF_8), "starter/../../a.bin", content);
            }
        },
        VERY_MANY_STRANGERS {
            @Override
            byte[] file() throws IOException {
                List<Object> files = new ArrayList<>(List.of("kit.json", kit("")));
                for (int i = 0; i < 50_000; i++) {
                    files.addAll(List.of("starter/../" + i, new byte[0]));
                }
                return zip(files.toArray());
            }
        };

        abstract byte[] file() throws IOException;
    }

    @ParameterizedTest
    @EnumSource
    void aBadPackageIsRefusedInAFewSentencesAndWritesNothing(BadPackage bad) throws IOException {
        Path file = Files.write(folder.resolve("kettle.satchelkit"), bad.file());
        Path into = Files.createDirectory(folder.resolve("into"));
        Offered offered = answer(new Errand.Unpack(file.toString(), into.toString(), ALLOWED, ReadLimits.DEFAULT), Offered.class);
        assertThat(offered.kit()).isEmpty();
        assertThat(offered.starters()).isEmpty();
        assertThat(offered.faults()).hasSizeBetween(1, 20);
        assertThat(into).isEmptyDirectory();
    }

    /** A roster bundle whose table is a flood is refused as any other that cannot be read. */
    @Test
    void aBundleThatLiesIsRefused() throws IOException {
        Path bundle = Files.write(folder.resolve("bundle.zip"), lying(zip("users.csv", new byte[FLOOD]), 10));
        Enrolled read = answer(new Errand.Enrol(bundle.toString(), Collections.emptySet(), RosterChoice.NONE, ReadLimits.DEFAULT),
                Enrolled.class);
        assertThat(read.reading().isGood()).isFalse();
        assertThat(read.reading().faults()).hasSizeBetween(1, 20);
    }
}
