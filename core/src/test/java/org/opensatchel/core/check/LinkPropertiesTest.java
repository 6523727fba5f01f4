package org.opensatchel.core.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.LongStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.PercentCoding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.base.path.RelativeLink;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.FolderSource;
import org.opensatchel.core.project.ListingSource;
import org.opensatchel.core.project.ProjectSource;
import org.opensatchel.core.project.ZipSource;
import org.opensatchel.core.report.Report;
import org.opensatchel.core.report.Report.FindingLine;

/** What holds for every project: random trees with odd names, documents of several formats, links made by the core. */
class LinkPropertiesTest {

    private static final String[] WORDS = {"lamp", "Tea Pot", "é clair", "a#b", "50%", "x+y", "a&b", "naïve", "Ünder", "o'clock", "ten.to",
            "[one]", "q;r", "at@home", "(two)", "ß", "Ω"};
    private static final String[] MEDIA = {"png", "wav", "mp4", "exr", "flac"};

    @TempDir
    Path temp;

    /** Seeds: some that stay, and some of the day, which a failure names. */
    static LongStream seeds() {
        return LongStream.concat(LongStream.range(0, 25), new Random().longs(15));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aLinkThatIsMadeRelativeLeadsBack(long seed) throws IOException {
        Made made = new Made(new Random(seed));
        Report report = check(new FolderSource(made.folder(temp, "Root")));
        assertThat(report.links()).as("seed %d", seed).hasSameSizeAs(made.links);
        assertThat(report.links()).as("seed %d", seed).allSatisfy(link -> assertThat(link.outcome()).isEqualTo("ok"));
        Map<String, Integer> targets = new TreeMap<>();
        report.links().forEach(link -> targets.merge(link.document() + " > " + link.target().orElse("-"), 1, Integer::sum));
        Map<String, Integer> wanted = new TreeMap<>();
        made.links.forEach(link -> wanted.merge(link.document + " > " + link.target, 1, Integer::sum));
        assertThat(targets).as("seed %d", seed).isEqualTo(wanted);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void theRootsNameAndTheWayItComesChangeNothing(long seed) throws IOException {
        Made made = new Made(new Random(seed));
        List<String> plain = outcomes(check(new FolderSource(made.folder(temp, "Root"))));
        assertThat(outcomes(check(new FolderSource(made.folder(temp, "another root"))))).as("seed %d", seed).isEqualTo(plain);
        try (ProjectSource zip = ZipSource.open(made.zip(temp, "Root"))) {
            Report zipped = check(zip);
            assertThat(outcomes(zipped)).as("seed %d", seed).isEqualTo(plain);
            assertThat(serious(zipped)).as("seed %d", seed).isEmpty();
        }
        try (ProjectSource listing = new ListingSource(made.listing(temp, "Root"), Optional.of(new FolderSource(temp.resolve("Root"))))) {
            assertThat(outcomes(check(listing))).as("seed %d", seed).isEqualTo(plain);
        }
        Report carried = new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE).carriedTo(Machine.SHIPPED))
                .run(new FolderSource(temp.resolve("Root")));
        assertThat(carried.carry().orElseThrow()).as("seed %d", seed)
                .allSatisfy(machine -> assertThat(machine.breaks() + machine.files().size()).isZero());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void anInjectedFaultIsFoundAndAlone(long seed) throws IOException {
        Random random = new Random(seed);
        Made made = new Made(random);
        made.write();
        String fault = List.of("missing", "outside", "pinned", "misspelt", "gone", "remote", "network-share").get(random.nextInt(7));
        Link victim = made.links.get(random.nextInt(made.links.size()));
        String expected = made.spoil(fault, victim);
        Report report = check(new FolderSource(made.folder(temp, "Root")));
        List<FindingLine> told = report.findings().stream().filter(finding -> finding.code().startsWith("link.")).toList();
        assertThat(told).as("seed %d, %s, %s", seed, fault, victim).isNotEmpty()
                .allSatisfy(finding -> assertThat(finding.code()).isEqualTo(expected));
        assertThat(told).as("seed %d, %s, %s", seed, fault, victim)
                .hasSize(fault.equals("gone") ? (int) made.links.stream().filter(link -> link.target.equals(victim.target)).count() : 1);
        assertThat(report.links().stream().filter(link -> !link.outcome().equals("ok")).count()).as("seed %d, %s, %s", seed, fault, victim)
                .isEqualTo(told.size());
    }

    private static Report check(ProjectSource source) throws IOException {
        return new ProjectCheck(CheckRequest.of(Optional.empty(), RosterFields.NONE)).run(source);
    }

    private static List<String> outcomes(Report report) {
        return report.links().stream()
                .map(link -> link.document() + " " + link.at() + " " + link.outcome() + " " + link.target().orElse("-")).toList();
    }

    private static List<FindingLine> serious(Report report) {
        return report.findings().stream().filter(finding -> !finding.severity().equals("note")).toList();
    }

    private static final class Link {
        private final String document;
        private final String target;
        private String text;

        Link(String document, String target, String text) {
            this.document = document;
            this.target = target;
            this.text = text;
        }

        @Override
        public String toString() {
            return document + ": " + text;
        }
    }

    /** A random project: media in random folders, documents of four formats that link them. */
    private static final class Made {
        private final Random random;
        private final TreeMap<String, String> files = new TreeMap<>();
        private final List<Link> links = new ArrayList<>();

        Made(Random random) {
            this.random = random;
            List<String> folders = new ArrayList<>(List.of(""));
            for (int i = 0; i < 6; i++) {
                folders.add(folders.get(random.nextInt(folders.size())) + name(i) + "/");
            }
            List<String> media = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                String path = folders.get(random.nextInt(folders.size())) + name(100 + i) + "." + MEDIA[random.nextInt(MEDIA.length)];
                media.add(path);
                files.put(path, "media " + i);
            }
            String[] formats = {"html", "usda", "m3u", "otio"};
            for (int i = 0; i < 4; i++) {
                String document = folders.get(random.nextInt(folders.size())) + "document " + i + "." + formats[i];
                for (int k = 0; k < 1 + random.nextInt(5); k++) {
                    String target = media.get(random.nextInt(media.size()));
                    Notation notation = i % 3 == 0 ? Notation.URI : Notation.PLAIN;
                    links.add(new Link(document, target, RelativeLink.text(ProjectPath.of(document), ProjectPath.of(target), notation)));
                }
            }
            write();
        }

        /** Every name is another one, also where letter case and accents are overlooked. */
        private String name(int number) {
            return WORDS[random.nextInt(WORDS.length)] + " " + number;
        }

        void write() {
            links.stream().map(link -> link.document).distinct().forEach(document -> files.put(document, content(document)));
        }

        private String content(String document) {
            List<String> texts = links.stream().filter(link -> link.document.equals(document)).map(link -> link.text).toList();
            if (document.endsWith(".html")) {
                return String.join("\n",
                        texts.stream().map(text -> "<img src=\"" + text.replace("&", "&amp;").replace("\"", "&quot;") + "\">").toList());
            }
            if (document.endsWith(".usda")) {
                return "#usda 1.0\ndef \"A\" {\n" + String.join("\n", texts.stream().map(text -> "asset f = @@@" + text + "@@@").toList())
                        + "\n}";
            }
            if (document.endsWith(".m3u")) {
                // A line that begins with the comment's mark is written another way.
                return "#EXTM3U\n" + String.join("\n", texts.stream().map(text -> text.startsWith("#") ? "./" + text : text).toList())
                        + "\n";
            }
            return "{\"OTIO_SCHEMA\": \"Timeline.1\", \"all\": [" + String.join(",",
                    texts.stream().map(
                            text -> "{\"OTIO_SCHEMA\": \"ExternalReference.1\", \"target_url\": \"" + text.replace("\\", "\\\\") + "\"}")
                            .toList())
                    + "]}";
        }

        /** Spoils one link, or what it leads to; gives the code that has to be found. */
        String spoil(String fault, Link link) {
            boolean uri = link.document.endsWith("html") || link.document.endsWith("otio");
            switch (fault) {
                case "missing" -> link.text = "never there/at all 123456.mov".replace(" ", uri ? "%20" : " ");
                case "outside" -> link.text = uri ? "file:///C:/Users/mara/Downloads/zzz.mov" : "C:\\Users\\mara\\Downloads\\zzz.mov";
                case "network-share" -> link.text = uri ? "file://pool/takes/zzz.mov" : "\\\\pool\\takes\\zzz.mov";
                case "pinned" -> link.text = uri ? "file:///F:/work/Root/" + PercentCoding.encode(link.target)
                        : "F:\\work\\Root\\" + link.target.replace('/', '\\');
                case "misspelt" -> link.text = swapped(link.text);
                case "remote" -> link.text = "https://example.org/zzz.mov";
                default -> files.remove(link.target);
            }
            write();
            return fault.equals("gone") ? "link.missing" : "link." + fault;
        }

        /** The extension in the other case, which no format and no encoding minds. */
        private static String swapped(String text) {
            int dot = text.lastIndexOf('.');
            return text.substring(0, dot) + text.substring(dot).toUpperCase(java.util.Locale.ROOT);
        }

        Path folder(Path parent, String root) throws IOException {
            Path top = parent.resolve(root);
            for (Map.Entry<String, String> file : files.entrySet()) {
                Path path = top.resolve(file.getKey());
                Files.createDirectories(path.getParent());
                Files.writeString(path, file.getValue());
            }
            return top;
        }

        Path zip(Path parent, String root) throws IOException {
            Path zip = Files.createTempFile(parent, "p", ".zip");
            try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
                for (Map.Entry<String, String> file : files.entrySet()) {
                    out.putNextEntry(new ZipEntry(root + "/" + file.getKey()));
                    out.write(file.getValue().getBytes(StandardCharsets.UTF_8));
                }
            }
            return zip;
        }

        Path listing(Path parent, String root) throws IOException {
            String entries = String.join(",", files.entrySet().stream().map(file -> "{\"path\": \"" + file.getKey() + "\", \"bytes\": "
                    + file.getValue().getBytes(StandardCharsets.UTF_8).length + "}").toList());
            return Files.writeString(Files.createTempFile(parent, "l", ".json"),
                    "{\"listing\": 1, \"root\": \"" + root + "\", \"files\": [" + entries + "]}");
        }
    }
}
