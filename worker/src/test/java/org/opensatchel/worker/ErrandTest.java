package org.opensatchel.worker;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.compare.ProjectDifference.Kind;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.project.ReadLimits;
import org.opensatchel.core.roster.RosterChoice;
import org.opensatchel.core.roster.RosterLine;
import org.opensatchel.worker.Delivered.Fault;

/** Errands as they go over to a worker and come back: what is asked is carried out, and what is wrong is said instead of thrown. */
class ErrandTest {

    private static final String KIT = "{\"kit\": 1, \"title\": \"Kettle\", \"root\": {\"name\": \"{last}_{first}\"}}";
    private static final Map<RosterField, String> MARSH = Map.of(RosterField.LAST, "Marsh", RosterField.FIRST, "Ottoline");

    @TempDir
    Path folder;

    private byte[] zipped(Map<String, byte[]> files) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                out.putNextEntry(new ZipEntry(file.getKey()));
                out.write(file.getValue());
                out.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    /** Files as pairs of path and text. */
    private byte[] zip(String... files) throws IOException {
        Map<String, byte[]> all = new LinkedHashMap<>();
        for (int i = 0; i < files.length; i += 2) {
            all.put(files[i], files[i + 1].getBytes(StandardCharsets.UTF_8));
        }
        return zipped(all);
    }

    private Path written(String name, byte[] content) throws IOException {
        return Files.write(folder.resolve(name), content);
    }

    private Errand.Project project(Path archive) {
        return new Errand.Project(archive.toString(), "", WorkOrder.Form.ZIP, ReadLimits.DEFAULT);
    }

    /** Carried out as a worker does: what it is asked has gone over as bytes. */
    private <T> T answer(Errand errand, Class<T> type) throws IOException {
        return JsonDocuments.MAPPER.readValue(Errand.read(errand.bytes()).answer(), type);
    }

    private List<String> entries(Path archive) throws IOException {
        List<String> out = new ArrayList<>();
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(archive), StandardCharsets.UTF_8)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                out.add(entry.getName() + (entry.isDirectory() ? "" : "=" + new String(in.readAllBytes(), StandardCharsets.UTF_8)));
            }
        }
        return out;
    }

    private List<Errand.Lot> batch() throws IOException {
        Path batch = written("batch.zip", zipped(Map.of("Marsh_Ottoline_261001_kettle.zip", zip("Marsh_Ottoline/a.txt", "a"),
                "Rudge_Odile/b.txt", "b".getBytes(StandardCharsets.UTF_8), "Vale_Imre.zip",
                "no archive".getBytes(StandardCharsets.UTF_8))));
        return List.of(new Errand.Lot(project(batch), Optional.empty()));
    }

    @Test
    void aBatchIsLookedAtAndTakenOneByOne() throws IOException {
        Delivered.All all = answer(new Errand.Look(batch(), 10, 1 << 20), Delivered.All.class);
        assertThat(all.readable()).isTrue();
        assertThat(all.some()).extracting(Delivered::bareName).containsExactly("Marsh_Ottoline_261001_kettle", "Rudge_Odile", "Vale_Imre");
        assertThat(all.some().get(2).fault()).contains(Fault.UNREADABLE);

        Path to = folder.resolve("one.zip");
        Delivered.Single packed = answer(new Errand.Take(batch(), 0, "Marsh_Ottoline_261001_kettle.zip", to.toString(), 1 << 20),
                Delivered.Single.class);
        assertThat(packed.fileName()).isEqualTo("Marsh_Ottoline_261001_kettle.zip");
        assertThat(entries(to)).containsExactly("Marsh_Ottoline/a.txt=a");
        assertThat(answer(new Errand.Take(batch(), 1, "Rudge_Odile", to.toString(), 1 << 20), Delivered.Single.class).fault()).isEmpty();
        assertThat(entries(to)).contains("Rudge_Odile/b.txt=b");
    }

    @Test
    void whatCannotBeTakenSaysWhy() throws IOException {
        String to = folder.resolve("one.zip").toString();
        assertThat(answer(new Errand.Take(batch(), 0, "Nobody", to, 1 << 20), Delivered.Single.class).fault()).contains(Fault.GONE);
        assertThat(answer(new Errand.Take(batch(), 0, "Marsh_Ottoline_261001_kettle.zip", to, 20), Delivered.Single.class).fault())
                .contains(Fault.TOO_LARGE);
        Path damaged = written("damaged.zip", zip("a.txt", "a"));
        byte[] bytes = Files.readAllBytes(damaged);
        Files.write(damaged, java.util.Arrays.copyOf(bytes, bytes.length / 2));
        assertThat(
                answer(new Errand.Look(List.of(new Errand.Lot(project(damaged), Optional.empty())), 10, 1), Delivered.All.class).readable())
                .isFalse();
        Errand.Project gone = new Errand.Project(folder.resolve("unplugged").toString(), "", WorkOrder.Form.PLACE, ReadLimits.DEFAULT);
        Delivered.All drive = answer(new Errand.Look(List.of(new Errand.Lot(gone, Optional.of("KETTLE/Marsh"))), 10, 1),
                Delivered.All.class);
        assertThat(drive.some()).extracting(Delivered::name).containsExactly("KETTLE/Marsh");
        assertThat(drive.some().get(0).fault()).contains(Fault.UNREADABLE);
    }

    @Test
    void projectsAreCopiedUnderTheirNamesAndJoined() throws IOException {
        Path good = written("good.zip", zip("marsh ottoline/a.txt", "a", "marsh ottoline/Ünder/b.txt", "b"));
        Path bad = written("bad.zip", "no archive".getBytes(StandardCharsets.UTF_8));
        String one = folder.resolve("1").toString();
        String two = folder.resolve("2").toString();
        assertThat(answer(new Errand.Copy(project(good), KIT, MARSH, "Marsh_Ottoline", "Marsh.zip", one, 1 << 20), Copied.class))
                .isEqualTo(new Copied(true, List.of(), false));
        assertThat(answer(new Errand.Copy(project(bad), KIT, Map.of(), "Vale_Imre", "Vale.zip", two, 1 << 20), Copied.class).readable())
                .isFalse();
        Path all = folder.resolve("all.zip");
        answer(new Errand.Join(List.of(one, two), "Vale: cannot be read", all.toString()), Copied.class);
        assertThat(entries(all)).containsExactly("Marsh_Ottoline/a.txt=a", "Marsh_Ottoline/Ünder/b.txt=b",
                "Vale_Imre/Vale.zip=no archive", "NOT-COPIED.txt=Vale: cannot be read");
        assertThat(Path.of(one)).doesNotExist();
        assertThat(Path.of(two)).doesNotExist();
    }

    @Test
    void aCopyThatHasNoRoomSaysSo() throws IOException {
        Path good = written("good.zip", zip("Marsh/a.txt", "a".repeat(5_000)));
        assertThat(answer(new Errand.Copy(project(good), "", MARSH, "Marsh", "x.zip", folder.resolve("1").toString(), 1_000), Copied.class)
                .full())
                .isTrue();
    }

    /** Very many files of one size under other names are found again, each once. */
    @Test
    void twoProjectsAreCompared() throws IOException {
        Map<String, byte[]> before = new LinkedHashMap<>();
        Map<String, byte[]> now = new LinkedHashMap<>();
        IntStream.range(0, 5_000).forEach(i -> {
            byte[] content = "%08d".formatted(i).getBytes(StandardCharsets.UTF_8);
            before.put("Marsh/old/" + i + ".bin", content);
            now.put("Marsh/new/n" + i + ".bin", content);
        });
        now.put("Marsh/more.bin", new byte[9]);
        Path report = written("report", Packed.pack(
                "{\"report\":1,\"links\":[],\"findings\":[],\"machines\":[],\"documents\":[]}".getBytes(StandardCharsets.UTF_8)));
        Errand.Side one = new Errand.Side(project(written("1.zip", zipped(before))), KIT, MARSH, report.toString());
        Errand.Side two = new Errand.Side(project(written("2.zip", zipped(now))), KIT, MARSH, report.toString());
        Compared compared = answer(new Errand.Compare(one, two, 7), Compared.class);
        assertThat(compared.files()).extracting(Compared.Group::kind, Compared.Group::count, group -> group.some().size())
                .containsExactly(org.assertj.core.groups.Tuple.tuple(Kind.ADDED, 1L, 1),
                        org.assertj.core.groups.Tuple.tuple(Kind.MOVED, 5_000L, 7));
        assertThat(compared.byContent()).isTrue();
    }

    @Test
    void aRosterIsReadOrEverythingThatIsWrongWithItIsSaid() throws IOException {
        Path table = written("roster.csv", "Last name,First name,ID\nMarsh,Ottoline,261001\n".getBytes(StandardCharsets.UTF_8));
        Enrolled good = answer(new Errand.Enrol(table.toString(), Set.of(), RosterChoice.NONE, ReadLimits.DEFAULT), Enrolled.class);
        assertThat(good.reading().lines()).extracting(RosterLine::listed).containsExactly("Marsh, Ottoline");
        written("roster.csv", "Last name,First name\n,\nMarsh,Ottoline\n,Odile\n\"\",\"\"\n".getBytes(StandardCharsets.UTF_8));
        Path bundle = written("bundle.zip", zip("users.csv", "sourcedId,givenName\n1,Odile\n"));
        Enrolled bad = answer(new Errand.Enrol(bundle.toString(), Set.of(), RosterChoice.NONE, ReadLimits.DEFAULT), Enrolled.class);
        assertThat(bad.reading().isGood()).isFalse();
        assertThat(bad.reading().faults()).allSatisfy(fault -> assertThat(Facts.json(fault.said())).isNotEmpty());
    }

    @Test
    void anExampleSuggestsAPlanPartByPart() throws IOException {
        Path example = written("example.zip", zip("Marsh_Ottoline/story/a.txt", "a", "Marsh_Ottoline/footage/b.mov", "b",
                "Marsh_Ottoline/footage/c.mov", "c"));
        Offered offered = answer(new Errand.Propose(project(example), "Kettle"), Offered.class);
        assertThat(offered.faults()).isEmpty();
        assertThat(offered.parts()).extracting(Offered.Part::kind).contains(Offered.Kind.ROOT, Offered.Kind.FOLDER);
        assertThat(offered.parts()).allSatisfy(part -> assertThat(Facts.phrase(part.why())).isPresent());
        Path empty = written("empty.zip", "nothing".getBytes(StandardCharsets.UTF_8));
        assertThat(answer(new Errand.Propose(project(empty), "Kettle"), Offered.class).faults()).hasSize(1);
    }

    @Test
    void aPackageIsUnpackedWhenThereIsRoomForIt() throws IOException {
        String starter = "a start";
        String kit = "{\"kit\": 1, \"title\": \"Kettle\", \"root\": {\"name\": \"{last}\"}, \"starter\": [{\"path\": \"story/a.txt\", \"sha256\": \""
                + Sha256.of(starter.getBytes(StandardCharsets.UTF_8)) + "\", \"bytes\": " + starter.length() + "}]}";
        Path file = written("kettle.satchelkit", zip("kit.json", kit, "starter/story/a.txt", starter));
        Path into = Files.createDirectory(folder.resolve("into"));
        Offered taken = answer(new Errand.Unpack(file.toString(), into.toString(), 100, ReadLimits.DEFAULT), Offered.class);
        assertThat(taken.title()).isEqualTo("Kettle");
        assertThat(taken.starters()).hasSize(1).allSatisfy(at -> assertThat(Path.of(at)).hasContent(starter));
        Offered refused = answer(new Errand.Unpack(file.toString(), into.toString(), 3, ReadLimits.DEFAULT), Offered.class);
        assertThat(refused.kit()).isEmpty();
        assertThat(refused.faults()).hasSize(1);
        Path wrong = written("wrong.satchelkit", zip("kit.json", kit, "starter/story/a.txt", "another"));
        assertThat(answer(new Errand.Unpack(wrong.toString(), into.toString(), 100, ReadLimits.DEFAULT), Offered.class).faults())
                .hasSize(1);
    }

    @Test
    void aPageIsPrintedWithItsLetters() throws IOException {
        byte[] pdf = Errand.read(new Errand.Print("<p>Ottoline Őze, Одиль, Οδύλη</p>").bytes()).answer();
        assertThat(new String(pdf, 0, 5, StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
    }

    @Test
    void whatIsNotThereIsAFaultOfTheStore() {
        Errand errand = new Errand.Propose(project(folder.resolve("gone.zip")), "Kettle");
        assertThatThrownBy(errand::answer).isInstanceOf(IOException.class);
    }
}
