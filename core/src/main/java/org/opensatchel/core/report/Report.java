package org.opensatchel.core.report;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonInclude;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.project.SealedFile;
import tools.jackson.databind.JsonNode;

/**
 * What a check found, in the shape of version 1 of the report document (docs/schema/report.schema.json). Paths are
 * relative to the root, with {@code /}; absent values are left out.
 *
 * @param report the format's version, 1
 * @param made when the check was made
 * @param doubts documents of no known format in which links may be broken, so that a verdict of ready is one with doubts; absent where there are none
 * @param sealed the files of sealed folders, for the next hand-in to be held against; absent where there are none
 * @param links every link of every document, in order
 * @param carry what became of it on each machine it was carried to; absent when there was none
 * @param points the points for organisation, where the kit gives some
 * @param plan what was planned and what is there, where there is a kit
 * @param media what pictures, films and sounds are; absent where there are none that say so
 * @param timelines the timelines of documents; absent where there are none that are read
 * @param notChecked what could not be looked at: families of findings, {@code links: PATH} for those of one document, {@code hashes}, {@code guesses} in very long files of no known
 *     format, {@code candidates} for the last of very many broken links, {@code sealed} for more files of sealed folders than a report keeps,
 *     {@code folders} where folders without files could not be seen, {@code peaks} and {@code peaks: PATH} of sounds that were not measured,
 *     {@code media} where a brief is of files whose contents did not come along, {@code steps} where nobody asked the student, {@code points} in
 *     reports from before they were counted
 */
public record Report(int report, Instant made, Verdict verdict, Optional<Doubts> doubts, Optional<KitRef> kit,
        Optional<Location> location, Project project,
        Counts counts,
        Optional<List<SealedLine>> sealed, List<LinkLine> links, List<FindingLine> findings, List<String> notChecked,
        Optional<List<CarryLine>> carry, Optional<Score> points, Optional<PlanFound> plan, Optional<MediaFound> media,
        Optional<List<TimelineFound>> timelines) {

    /** The version of the format this product writes. */
    public static final int VERSION = 1;

    /** Everything that {@code notChecked} may name. */
    public static final List<String> NOT_CHECKED = List.of("links", "hashes", "guesses", "candidates", "sealed", "folders", "media",
            "peaks", "points", "steps");
    /** Stands for all links, and with a colon and a path behind it for those of one document. */
    public static final String LINKS = "links";

    /** Stands for sounds that were not measured, and with a colon and a path behind it for each of them. */
    public static final String PEAKS = "peaks";

    /** What is said of a sound that was not measured. */
    public static String peaksOf(String file) {
        return PEAKS + ": " + file;
    }

    /** What is said of a document whose links could not be looked at. */
    public static String linksOf(String document) {
        return LINKS + ": " + document;
    }

    public static boolean isLinks(String notChecked) {
        return notChecked.equals(LINKS) || notChecked.startsWith(LINKS + ": ");
    }

    /** The documents whose links could not be looked at, though those of others could. */
    public static List<String> unread(List<String> notChecked) {
        return named(notChecked, LINKS);
    }

    /** The sounds that were not measured. */
    public static List<String> unheard(List<String> notChecked) {
        return named(notChecked, PEAKS);
    }

    private static List<String> named(List<String> notChecked, String kind) {
        String begins = kind + ": ";
        return notChecked.stream().filter(what -> what.startsWith(begins)).map(what -> what.substring(begins.length())).toList();
    }

    /** What nobody should take for judged: what the kit asks for and no check judges yet, and links that nobody looked at. */
    public List<String> unjudged() {
        List<String> asked = notChecked.stream().filter(List.of("media", "steps")::contains).toList();
        return notChecked.stream().noneMatch(Report::isLinks) ? asked : Stream.concat(Stream.of(LINKS), asked.stream()).toList();
    }

    /**
     * A document of no known format, in which what looks like links leads to nothing.
     *
     * @param links how many of them
     */
    public record Doubt(String document, int links) {

        /** What is said of it. */
        public Phrase say() {
            return DoubtWording.DOCUMENT.say(Facts.of(FactName.PATH, document).and(FactName.COUNT, links));
        }
    }

    /**
     * Guessed links that look broken.
     *
     * @param links how many there are
     * @param documents the documents they stand in, in the order of their paths
     * @param each how many stand in which
     */
    public record Doubts(int links, List<String> documents, Optional<List<Doubt>> each) {

        public static Doubts of(List<Doubt> each) {
            return new Doubts(each.stream().mapToInt(Doubt::links).sum(), each.stream().map(Doubt::document).toList(), Optional.of(each));
        }

        /** Reads them; reports were once written with the list alone. */
        @JsonCreator
        static Doubts read(JsonNode node) {
            JsonNode each = node.isArray() ? node : node.path("each");
            List<Doubt> out = new ArrayList<>();
            each.forEach(one -> out.add(new Doubt(one.path("document").asString(""), one.path("links").asInt(0))));
            return of(out);
        }
    }

    /** How many links are doubtful. */
    public int doubtful() {
        return doubts.map(Doubts::links).orElse(0);
    }

    /** The verdict as it is told to people. */
    public Verdict.Told told() {
        return verdict.told(counts.should(), doubtful());
    }

    /** The documents they stand in. */
    public List<Doubt> doubted() {
        return doubts.flatMap(Doubts::each).orElse(List.of());
    }

    /** The kit it was held against. */
    public record KitRef(String title, int version) {}

    /** Where the project was said to lie, and where its links were made. */
    public record Location(Optional<String> declared, Optional<String> inferred) {}

    /**
     * The project in numbers.
     *
     * @param guessed how many of the links were only guessed; absent for none
     */
    public record Project(Optional<String> root, int files, long bytes, int documents, int links, Optional<Integer> guessed) {}

    /** A file of a sealed folder: its path by the plan, its size, and what its content is told by. */
    public record SealedLine(String path, long bytes, Optional<String> sha256, Optional<Long> crc32) {

        public SealedFile file() {
            return new SealedFile(ProjectPath.of(path), bytes, sha256, crc32.orElse(0L));
        }
    }

    /** How many findings there are of each severity, consequences not counted. */
    public record Counts(int must, int should, int note) {}

    /**
     * One link; {@code target} is null where it leads to no file of the project.
     *
     * @param alternatives the same link as it is written elsewhere in the document
     * @param sure how sure it is that it is a link; absent where the format says so
     */
    public record LinkLine(String document, String at, String text, String form, String outcome,
            @JsonInclude(JsonInclude.Include.ALWAYS) Optional<String> target,
            Optional<List<CandidateLine>> candidates, Optional<List<String>> gaps, Optional<List<String>> alternatives,
            Optional<Double> sure) {}

    /** A file that was probably meant. */
    public record CandidateLine(String path, String why, double sure, Optional<Reason> reason) {}

    /**
     * One finding, with what follows from it. What is said of it is written in the language the report was made in; whoever shows a
     * report makes it anew from the facts, which only reports from before lack.
     */
    public record FindingLine(String code, String severity, String path, Optional<String> at, String message, String why,
            List<String> remedy,
            Optional<Double> sure, Optional<ProposalLine> proposal, Optional<List<ConsequenceLine>> consequences, Optional<Facts> facts) {

        /** What is to be said of it, in any language. */
        public Phrase said() {
            return Phrase.of(code + ".one", path, at, facts.orElse(Facts.NONE));
        }

        /** The same finding, weighing something else. */
        public FindingLine weighing(String other) {
            return new FindingLine(code, other, path, at, message, why, remedy, sure, proposal, consequences, facts);
        }

        /** Whether it was found by its looks alone, in a file of no known format. */
        public boolean guessed() {
            return code.startsWith("link.") && sure.filter(value -> value < 0.5).isPresent();
        }
    }

    /** What was probably meant. */
    public record ProposalLine(String path, double sure) {}

    /** Something that follows from a finding and needs no remedy of its own. */
    public record ConsequenceLine(String code, String path, Optional<String> at, String message, Optional<Facts> facts) {}

    /**
     * A project carried to a machine.
     *
     * @param opens how many links open there
     * @param breaks how many do not
     * @param links those that do not, each by its place in {@link Report#links}, from 0
     * @param files files that cannot be there
     */
    public record CarryLine(String machine, String title, int opens, int breaks, List<CarryLinkLine> links, List<CarryFileLine> files) {}

    /** A link that does not open on a machine, and why. */
    public record CarryLinkLine(int link, String why, Optional<Phrase> reason) {}

    /** A file that cannot be on a machine, and why. */
    public record CarryFileLine(String path, String why, Optional<Phrase> reason) {}
}
