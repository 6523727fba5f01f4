package org.opensatchel.core.kit;

import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Stream;
import org.opensatchel.base.hash.Sha256;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.formats.described.CustomLinkRule;
import org.opensatchel.formats.described.Profile;

/**
 * A plan for a project folder with its starter files, rules and steps, as version 1 of the kit document has it.
 *
 * @param demands what more it asks of folders, files and documents
 * @param rootFiles files that may lie in the root itself
 * @param ignored which files nobody looks at
 * @param severities what the kit raises, lowers or (empty) switches off
 */
public record Kit(String title, int version, Optional<String> assignment, NamePattern root, Optional<NameRules> names,
        List<FolderRule> folders, OtherFolders otherFolders, List<Companion> companions, List<DocumentRule> documents, List<FileRule> files,
        List<StarterFile> starter, LinkPolicy links, Optional<LocationPolicy> location, List<String> machines, Limits limits,
        List<Step> steps,
        Map<Code, Optional<Severity>> severities, Optional<Points> points, List<Demand> demands, List<RootFile> rootFiles,
        List<String> ignored) {

    public Kit {
        folders = List.copyOf(folders);
        companions = List.copyOf(companions);
        documents = List.copyOf(documents);
        files = List.copyOf(files);
        starter = List.copyOf(starter);
        machines = List.copyOf(machines);
        steps = List.copyOf(steps);
        severities = Map.copyOf(severities);
        demands = List.copyOf(demands);
        rootFiles = List.copyOf(rootFiles);
        ignored = List.copyOf(ignored);
    }

    /** What becomes of folders nobody planned. */
    public enum OtherFolders {
        ALLOW, NOTE, FORBID
    }

    /** A folder beside the root on the same drive, under exactly this name. */
    public record Companion(String name, String purpose, Need need, boolean managed) {}

    /** A file that may lie in the root itself. */
    public record RootFile(NamePattern name, List<String> types) {
        public RootFile {
            types = List.copyOf(types);
        }
    }

    /**
     * A document the student has to make.
     *
     * @param either a word that several rules share of which one has to be there
     */
    public record DocumentRule(String role, ProjectPath in, NamePattern name, List<String> types, Need need, int versions, int maxLength,
            Optional<MediaRule> media, Optional<TimelineRule> timeline, Optional<String> namedLike, Optional<String> either) {
        public DocumentRule {
            types = List.copyOf(types);
        }
    }

    /**
     * Another file the student has to add.
     *
     * @param either a word that several rules share of which one has to be there
     */
    public record FileRule(String role, ProjectPath in, NamePattern name, List<String> types, Need need, Optional<MediaRule> media,
            Optional<String> namedLike, Optional<String> either) {
        public FileRule {
            types = List.copyOf(types);
        }
    }

    /** A file that comes with the kit. */
    public record StarterFile(ProjectPath path, String sha256, long bytes, Treat treat) {
        /** What the student may do with it. */
        public enum Treat {
            KEEP, EDIT, FREE
        }
    }

    /**
     * How links are judged; the policy's severities are among the kit's {@link Kit#severities}.
     *
     * @param custom rules for files of no known format, each a pattern, an element or a pointer
     * @param profiles what was learned of a program's documents, whole
     * @param named profiles by the SHA-256 of their documents, which have to be given beside the kit
     */
    public record LinkPolicy(Optional<Grade> absolute, Optional<Grade> outside, Optional<Grade> missing, Optional<Grade> remote,
            List<CustomLinkRule> custom, List<Profile> profiles, List<String> named) {
        public static final LinkPolicy DEFAULT = new LinkPolicy(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(),
                List.of(), List.of(), List.of());

        public LinkPolicy {
            custom = List.copyOf(custom);
            profiles = List.copyOf(profiles);
            named = List.copyOf(named);
        }
    }

    /** A severity, or off. */
    public enum Grade {
        MUST, SHOULD, NOTE, OFF;

        public Optional<Severity> severity() {
            return this == OFF ? Optional.empty() : Optional.of(Severity.valueOf(name()));
        }
    }

    /** Sizes in bytes, absent for no limit. */
    public record Limits(OptionalLong totalBytes, OptionalLong fileBytes) {
        public static final Limits NONE = new Limits(OptionalLong.empty(), OptionalLong.empty());
    }

    /**
     * Something every student does, and confirms where asked.
     *
     * @param picture the starter file that shows it
     */
    public record Step(String title, String text, boolean confirm, Optional<ProjectPath> picture) {

        /** What a confirmation is of: a step that says something else is another one, whatever it is called. */
        public String key() {
            return Sha256.of((title + "\0" + text).getBytes(StandardCharsets.UTF_8));
        }
    }

    /**
     * How many points organisation earns.
     *
     * @param off what is taken off for each thing to fix, up to the points of its part
     */
    public record Points(int total, int structure, int names, int links, int assets, Deductions off) {}

    /** How many points one thing to fix costs, by its severity. */
    public record Deductions(BigDecimal must, BigDecimal should, BigDecimal note) {
        /** Where a kit says nothing: a point for what must be fixed, half a point for what should be. */
        public static final Deductions USUAL = new Deductions(BigDecimal.ONE, new BigDecimal("0.5"), BigDecimal.ZERO);

        public BigDecimal of(String severity) {
            return switch (severity) {
                case "must" -> must;
                case "should" -> should;
                default -> note;
            };
        }
    }

    /** @param number from 1, or 0 before it is published */
    public Kit withVersion(int number) {
        return new Kit(title, number, assignment, root, names, folders, otherFolders, companions, documents, files, starter, links,
                location, machines, limits, steps, severities, points, demands, rootFiles, ignored);
    }

    /** Those of its demands that are of one kind. */
    public <D extends Demand> List<D> demands(Class<D> kind) {
        return demands.stream().filter(kind::isInstance).map(kind::cast).toList();
    }

    /** What it asks of pictures, films and sounds: each brief with what it is for. */
    public List<Demand.Media> briefs() {
        return Stream.of(folders.stream().flatMap(rule -> rule.media().map(media -> Demand.Media.of(rule.path(), media)).stream()),
                documents.stream().flatMap(rule -> rule.media().map(media -> Demand.Media.of(rule.role(), media)).stream()),
                files.stream().flatMap(rule -> rule.media().map(media -> Demand.Media.of(rule.role(), media)).stream()))
                .flatMap(briefs -> briefs).toList();
    }

    /** What it asks of timelines, each with the documents it is for. */
    public List<Demand.Timing> timings() {
        return documents.stream().flatMap(rule -> rule.timeline().map(timeline -> new Demand.Timing(rule.role(), timeline)).stream())
                .toList();
    }

    /** What this kit asks for that no check can judge from the project: {@code steps}, which only the student knows. */
    public List<String> unjudged() {
        return steps.stream().anyMatch(Step::confirm) ? List.of("steps") : List.of();
    }

    public NameRules nameRules() {
        return names.orElse(NameRules.DEFAULT);
    }

    public boolean ascii() {
        return nameRules().ascii();
    }

    /** The severity this kit gives a code; empty when it is switched off. */
    public Optional<Severity> severity(Code code) {
        return severity(code, code.severity());
    }

    /**
     * The same for a finding that may weigh more than its code usually does.
     *
     * @param usual what it weighs where the kit says nothing of it
     */
    public Optional<Severity> severity(Code code, Severity usual) {
        Optional<Severity> own = severities.get(code);
        if (own != null) {
            return own;
        }
        return policy(code).map(Grade::severity).orElse(Optional.of(usual));
    }

    private Optional<Grade> policy(Code code) {
        return switch (code) {
            case LINK_PINNED -> links.absolute;
            case LINK_OUTSIDE, LINK_OTHER_PROJECT, LINK_NETWORK_SHARE, LINK_TEMPORARY -> links.outside;
            case LINK_MISSING, LINK_MOVED -> links.missing;
            case LINK_REMOTE -> links.remote;
            case STRUCTURE_FOLDER_OTHER -> otherFolders == OtherFolders.FORBID ? Optional.of(Grade.MUST)
                    : otherFolders == OtherFolders.ALLOW ? Optional.of(Grade.OFF) : Optional.empty();
            default -> Optional.empty();
        };
    }
}
