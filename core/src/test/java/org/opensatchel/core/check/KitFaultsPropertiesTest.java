package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiFunction;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.KitReader;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterField;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;

/**
 * Random kits, each with a project that fits it: clean it stays without a word, and of every fault planted in it that one
 * thing is told, whatever the kit is.
 */
class KitFaultsPropertiesTest {

    private static final List<String> FOLDERS = List.of("boards", "footage", "voices", "models", "surfaces", "plates", "timelines",
            "posters", "lettering", "storyboard", "interviews", "foley", "études", "matériel", "größen");
    private static final List<String> PEOPLE = List.of("Marsh Ottoline", "O’Dowd Seán", "Åkerlund Märta", "de Souza Inês", "Nguyễn Thảo",
            "Quill-Fenn Ada", "Ng Po");
    private static final List<String> ROOTS = List.of("{course}_{assignment}_{last}_{first}", "{last}_{first}_{assignment}",
            "{assignment}-{last:lower}", "{course}-{id}");

    /** Faults of a document that belongs in a folder of its own. */
    private static final Set<Fault> NEED_FOLDER = EnumSet.of(Fault.DOCUMENTS_MISSPELT, Fault.DOCUMENT_IN_ROOT);

    @TempDir
    Path temp;

    static LongStream seeds() {
        return LongStream.concat(LongStream.of(8041560910115321055L), LongStream.concat(LongStream.range(0, 25), new Random().longs(15)));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aProjectThatFitsIsClean(long seed) throws IOException {
        Planned planned = new Planned(new Random(seed));
        // What a program keeps in its cache may go: that is said of it, and nothing else of anything.
        assertThat(planned.check(temp, planned.root + "/").findings()).as("seed %d, %s", seed, planned.kit)
                .allSatisfy(finding -> assertThat(said(finding)).isEqualTo("asset.rebuildable note"));
    }

    /**
     * Some systems hand over every accent as a sign of its own: names and links alike. That is noted of names that links write, and
     * nothing else is said.
     */
    @ParameterizedTest
    @MethodSource("seeds")
    void aProjectWithDecomposedNamesIsCleanToo(long seed) throws IOException {
        Planned planned = new Planned(new Random(seed));
        planned.prefix = planned.root + "/";
        planned.decompose();
        assertThat(planned.check(temp, planned.prefix).findings()).as("seed %d, %s", seed, planned.kit)
                .allSatisfy(finding -> assertThat(said(finding)).isIn("name.not-composed note", "asset.rebuildable note"));
    }

    private static String said(Report.FindingLine finding) {
        return finding.code() + " " + finding.severity();
    }

    static Stream<Arguments> faults() {
        return seeds().boxed().flatMap(seed -> Stream.of(Fault.values()).map(fault -> Arguments.of(seed, fault)));
    }

    @ParameterizedTest
    @MethodSource("faults")
    void aFaultIsToldAlone(long seed, Fault fault) throws IOException {
        Random random = new Random(seed);
        Planned planned = new Planned(random);
        planned.prefix = planned.root + "/";
        assumeTrue(!planned.documents.isEmpty() || !NEED_FOLDER.contains(fault), "the document belongs in the root");
        fault.plant.apply(planned, random);
        if (seed % 3 == 2) {
            planned.decompose();
        }
        Report report = planned.check(temp, planned.prefix);
        List<String> told = report.findings().stream().filter(finding -> !finding.severity().equals("note")).map(Report.FindingLine::code)
                .toList();
        assertThat(told).as("seed %d, %s, %s: %s", seed, fault, planned.kit, planned.project.files.keySet()).containsExactly(fault.code);
    }

    static Stream<Arguments> pairs() {
        List<Fault> apart = List.of(Fault.FILM_NAME, Fault.SPACE, Fault.STARTER_CHANGED, Fault.FORBIDDEN, Fault.IN_THE_ROOT,
                Fault.WRONG_TYPE, Fault.ROOT_NAME, Fault.DOCUMENT_NAME);
        List<Fault> last = List.of(Fault.NESTED, Fault.LOOSE, Fault.LINK_OUT, Fault.LINK_TO_NOTHING, Fault.FILM_GONE,
                Fault.FOLDER_ELSEWHERE);
        return LongStream.range(0, 4).boxed()
                .flatMap(seed -> apart.stream().flatMap(one -> last.stream().map(other -> Arguments.of(seed, one, other))));
    }

    /** Two things that have nothing to do with each other are both told, and nothing else. */
    @ParameterizedTest
    @MethodSource("pairs")
    void twoFaultsAreTwoFindings(long seed, Fault one, Fault other) throws IOException {
        assumeTrue(!(one == Fault.FILM_NAME && other == Fault.FILM_GONE)
                && !(one == Fault.ROOT_NAME && (other == Fault.NESTED || other == Fault.LOOSE)), "the second undoes the first");
        assumeTrue(!(one == Fault.DOCUMENT_NAME && other.code.startsWith("link.")), "the second writes the document under its right name");
        Random random = new Random(seed);
        Planned planned = new Planned(random);
        planned.prefix = planned.root + "/";
        // A document that was renamed is not written again.
        for (Fault fault : one == Fault.DOCUMENT_NAME ? List.of(other, one) : List.of(one, other)) {
            fault.plant.apply(planned, random);
        }
        List<String> told = planned.check(temp, planned.prefix).findings().stream().filter(finding -> !finding.severity().equals("note"))
                .map(Report.FindingLine::code).toList();
        assertThat(told).as("seed %d, %s, %s", seed, planned.kit, planned.project.files.keySet()).containsExactlyInAnyOrder(one.code,
                other.code);
    }

    /** What may happen to a project, and the one thing to be said of it. */
    enum Fault {
        FOLDER_MISSPELT("structure.folder-renamed", (planned, random) -> {
            String folder = planned.media(random).folder;
            int third = folder.lastIndexOf('/') + 3;
            return planned.project.move(folder, folder.substring(0, third) + folder.substring(third + 1));
        }),
        FOLDER_GONE("structure.folder-missing", (planned, random) -> planned.project.remove(planned.media(random).folder)),
        FOLDER_ELSEWHERE("structure.folder-moved", (planned, random) -> {
            String folder = planned.media(random).folder;
            return planned.project.move(folder, "bundle/" + folder.substring(folder.lastIndexOf('/') + 1));
        }),
        DOCUMENTS_MISSPELT("structure.folder-renamed",
                (planned, random) -> planned.project.move(planned.documents, planned.documents + "2")),
        DOCUMENT_NAME("name.document",
                (planned, random) -> planned.project.move(planned.timeline(), Planned.below(planned.documents) + "cut." + planned.type)),
        DOCUMENT_IN_ROOT("structure.document-misplaced",
                (planned, random) -> planned.project.move(planned.timeline(),
                        planned.timeline().substring(planned.documents.length() + 1))),
        FILM_NAME("name.file", (planned, random) -> planned.project.move(planned.film, "delivery/mine.mp4")),
        FILM_GONE("asset.required-missing", (planned, random) -> planned.project.remove(planned.film).put("delivery/.keep", "")),
        FILM_IN_THE_WRONG_FOLDER("asset.required-missing",
                (planned,
                        random) -> planned.project.move(planned.film,
                                planned.media("mp4").map(one -> one.folder).orElse("extra/one")
                                        + planned.film.substring("delivery".length()))
                                .put("delivery/.keep", "")),
        NO_DOCUMENT("structure.document-missing",
                (planned, random) -> planned.project.remove(planned.timeline()).put(Planned.below(planned.documents) + ".keep", "")),
        WRONG_TYPE("asset.type-not-accepted",
                (planned, random) -> planned.project.put(planned.media(random).folder + "/model.stl", "solid")),
        IN_THE_ROOT("structure.file-misplaced", (planned, random) -> planned.project.put("loose.stl", "solid")),
        FORBIDDEN("structure.folder-forbidden", (planned, random) -> planned.project.put("scrap/x.stl", "solid")),
        TOO_FEW("structure.too-few", (planned, random) -> {
            Media media = planned.media(random);
            media.files.forEach(planned.project::remove);
            planned.project.put(media.folder + "/.keep", "");
            return planned.linking(file -> !media.files.contains(file), "");
        }),
        SPACE("name.space", (planned, random) -> {
            String old = planned.open();
            String spaced = old.replaceFirst("/take", "/my take");
            planned.rename(old, spaced);
            return planned.project.move(old, spaced);
        }),
        CASE_CLASH("name.case-clash", (planned, random) -> {
            String old = planned.open();
            return planned.project.put(old.replaceFirst("/take", "/Take"), planned.project.files.get(old));
        }),
        DEVICE("name.character", (planned, random) -> {
            String old = planned.open();
            String device = old.replaceFirst("/[^/]*\\.", "/con.");
            planned.rename(old, device);
            return planned.project.move(old, device);
        }),
        STARTER_CHANGED("asset.starter-changed",
                (planned, random) -> planned.project.put(planned.starter, Media.content(planned.starter, 99))),
        STARTER_GONE("asset.starter-missing", (planned, random) -> planned.project.remove(planned.starter)),
        STARTER_RENAMED("asset.starter-renamed",
                (planned, random) -> planned.project.move(planned.starter, planned.starter.replace("given", "mine"))),
        ROOT_NAME("name.root", (planned, random) -> {
            planned.prefix = "my project/";
            return planned.project;
        }),
        NESTED("package.nested-root", (planned, random) -> {
            planned.prefix = "hand in/" + planned.root + "/";
            return planned.project;
        }),
        LOOSE("package.no-root", (planned, random) -> {
            planned.prefix = "";
            return planned.project;
        }),
        EMPTY("asset.empty", (planned, random) -> planned.project.put(planned.free(random), new byte[0])),
        ZEROS("package.placeholder", (planned, random) -> planned.project.put(planned.free(random), new byte[500])),
        LINK_OUT("link.outside", (planned, random) -> planned.linking(file -> true, "file:///C:/Users/mara/Downloads/rain.aif")),
        LINK_TO_NOTHING("link.missing",
                (planned, random) -> planned.linking(file -> true, planned.up() + planned.media(random).folder + "/zebra.aif")),
        LINK_CAPITALS("link.misspelt",
                (planned, random) -> planned.linking(file -> true, planned.up() + planned.free(random).replaceFirst("/take", "/TAKE"))),
        LINK_MOVED("link.moved", (planned, random) -> {
            String file = planned.free(random);
            return planned.linking(other -> true, "elsewhere" + file.substring(file.lastIndexOf('/')));
        });

        private final String code;
        private final BiFunction<Planned, Random, SampleProject> plant;

        Fault(String code, BiFunction<Planned, Random, SampleProject> plant) {
            this.code = code;
            this.plant = plant;
        }
    }

    /** A planned folder of media, with what lies in it. */
    private static final class Media {
        private final String folder;
        private final String type;
        private final List<String> files = new ArrayList<>();

        Media(String folder, String type) {
            this.folder = folder;
            this.type = type;
        }

        static byte[] content(String path, int seed) {
            return path.endsWith("png") ? SampleProject.png(seed)
                    : path.endsWith("wav") ? SampleProject.wav(seed) : SampleProject.mp4(seed);
        }
    }

    /** A kit and the project that fits it. */
    private static final class Planned {
        private final List<Media> media = new ArrayList<>();
        private final String documents;
        private final String type;
        private final String film;
        private final RosterFields fields;
        private final Kit kit;
        private final String root;
        private final String starter;
        private final SampleProject project = new SampleProject();
        private final List<String> linked = new ArrayList<>();
        private String prefix;

        Planned(Random random) {
            List<String> names = new ArrayList<>(FOLDERS);
            Collections.shuffle(names, random);
            List<String> types = new ArrayList<>(List.of("png", "wav", "mp4"));
            Collections.shuffle(types, random);
            for (int i = 0; i < 2 + random.nextInt(2); i++) {
                media.add(new Media(above(random) + names.remove(0), types.get(i)));
            }
            documents = random.nextInt(5) == 0 ? "" : above(random) + names.remove(0);
            type = List.of("otio", "html", "m3u").get(random.nextInt(3));
            String[] person = PEOPLE.get(random.nextInt(PEOPLE.size())).split(" (?=[^ ]+$)");
            fields = RosterFields.NONE.with(RosterField.LAST, person[0]).with(RosterField.FIRST, person[1])
                    .with(RosterField.COURSE, "SND 201").with(RosterField.ASSIGNMENT, "A3")
                    .with(RosterField.ID, "s10" + random.nextInt(1_000));
            int seed = 1;
            for (Media one : media) {
                for (int i = 0; i < 2 + random.nextInt(3); i++) {
                    String path = one.folder + "/take_" + (char) ('a' + i) + "." + one.type;
                    one.files.add(path);
                    project.put(path, Media.content(path, seed++));
                }
            }
            starter = media.get(0).folder + "/given." + media.get(0).type;
            byte[] given = Media.content(starter, seed);
            project.put(starter, given);
            kit = KitReader.read(document(random, given).getBytes(StandardCharsets.UTF_8)).kit().orElseThrow();
            root = kit.root().make(fields, kit.ascii()).orElseThrow();
            film = "delivery/" + NamePattern.of("{last}_{assignment}_final").make(fields, kit.ascii()).orElseThrow() + ".mp4";
            project.put(film, SampleProject.mp4(seed + 1));
            linked.add(film);
            if (random.nextBoolean()) {
                // A program's own folder: nothing in it is ours to judge.
                project.put("cache/con any: thing?.tmp", "x").put("cache/old.html", "<img src=\"C:\\gone.png\">").put("cache/empty.png",
                        new byte[0]);
            }
            if (random.nextBoolean()) {
                project.put("extra/one/notes.txt", "where to export: C:\\out\\film.mp4");
            }
            linked.add(starter);
            media.forEach(one -> linked.addAll(one.files));
            linking(file -> true, "");
        }

        private static String above(Random random) {
            return random.nextInt(3) == 0 ? "work/" : random.nextInt(5) == 0 ? "work/parts/" : "";
        }

        private String document(Random random, byte[] given) {
            String folders = media.stream()
                    .map(one -> "{\"path\": \"" + one.folder + "\", \"sealed\": " + (one != media.get(0) && random.nextInt(3) == 0)
                            + ", \"need\": \"required\", \"accepts\": [\"" + one.type + "\"], \"atLeast\": 2}")
                    .collect(Collectors.joining(", "));
            return "{\"kit\": 1, \"title\": \"Random\", \"version\": 1, \"assignment\": \"A3\", \"root\": {\"name\": \""
                    + ROOTS.get(random.nextInt(ROOTS.size()))
                    + "\"}, \"names\": {\"spaces\": \"forbid\", \"maxLength\": 60}, \"folders\": [" + folders
                    + ", "
                    + (documents.isEmpty() ? ""
                            : "{\"path\": \"" + documents + "\", \"need\": \"required\", \"accepts\": [\"" + type + "\"]}, ")
                    + "{\"path\": \"delivery\", \"need\": \"required\", \"accepts\": [\"mp4\"]}, {\"path\": \"cache\", \"need\": \"optional\", \"managed\": true}, {\"path\": \"scrap\", \"need\": \"forbidden\"}, {\"path\": \"extra/{word}\", \"need\": \"optional\"}], \"otherFolders\": \"note\", "
                    + "\"documents\": [{\"role\": \"Timeline\", \"in\": \"" + documents
                    + "\", \"name\": \"{last}_{assignment}_v{version:2}\", \"types\": [\"" + type
                    + "\"], \"need\": \"required\"}], \"files\": [{\"role\": \"Film\", \"in\": \"delivery\", \"name\": \"{last}_{assignment}_final\", \"types\": [\"mp4\"], \"need\": \"required\"}], "
                    + "\"starter\": [{\"path\": \"" + starter + "\", \"sha256\": \"" + SampleProject.sha256(given) + "\", \"bytes\": "
                    + given.length + ", \"treat\": \"keep\"}]}";
        }

        /** Where the only timeline lies under its right name. */
        String timeline() {
            return below(documents) + NamePattern.of("{last}_{assignment}_v01").make(fields, kit.ascii()).orElseThrow() + "." + type;
        }

        /** From the timeline to the root. */
        String up() {
            return documents.isEmpty() ? "" : "../".repeat(documents.split("/").length);
        }

        private static String below(String folder) {
            return folder.isEmpty() ? "" : folder + "/";
        }

        Optional<Media> media(String wanted) {
            return media.stream().filter(one -> one.type.equals(wanted)).findFirst();
        }

        /** A file that may be renamed: the first folder is never sealed. */
        String open() {
            return media.get(0).files.get(0);
        }

        Media media(Random random) {
            return media.get(random.nextInt(media.size()));
        }

        /** A file that is no starter. */
        String free(Random random) {
            Media one = media(random);
            return one.files.get(random.nextInt(one.files.size()));
        }

        void rename(String old, String renamed) {
            linked.replaceAll(file -> file.equals(old) ? renamed : file);
            linking(file -> true, "");
        }

        /** Stores every accent as a sign of its own, in names and in what the document links. */
        void decompose() {
            Map<String, byte[]> decomposed = new TreeMap<>();
            project.files.forEach((path, content) -> decomposed.put(Normalizer.normalize(path, Normalizer.Form.NFD),
                    path.endsWith(type)
                            ? Normalizer.normalize(new String(content, StandardCharsets.UTF_8), Normalizer.Form.NFD)
                                    .getBytes(StandardCharsets.UTF_8)
                            : content));
            project.files.clear();
            project.files.putAll(decomposed);
            prefix = Normalizer.normalize(prefix, Normalizer.Form.NFD);
        }

        /** Lets the document link those files, and one thing more. */
        SampleProject linking(Predicate<String> wanted, String more) {
            List<String> targets = Stream
                    .concat(linked.stream().filter(wanted).map(file -> up() + (type.equals("m3u") ? file : file.replace(" ", "%20"))),
                            Stream.of(more))
                    .filter(target -> !target.isEmpty()).toList();
            return switch (type) {
                case "otio" -> project.timeline(timeline(), targets.toArray(String[]::new));
                case "html" -> project.put(timeline(), "<!DOCTYPE html><meta charset=utf-8><title>Page</title>"
                        + targets.stream().map(target -> "<a href=\"" + target + "\">x</a>").collect(Collectors.joining("\n")));
                default -> project.put(timeline(), "#EXTM3U\n" + String.join("\n", targets) + "\n");
            };
        }

        Report check(Path temp, String in) throws IOException {
            try (ProjectSource source = ZipSource.open(project.zip(temp, in))) {
                return new ProjectCheck(CheckRequest.of(Optional.of(kit), fields)).run(source);
            }
        }
    }
}
