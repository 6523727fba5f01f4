package org.opensatchel.core.check.brief;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.check.brief.BriefJudge.Judged;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.MediaRule;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.match.PlanMatch;
import org.opensatchel.core.match.PlannedFolder;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.scan.FileFacts;
import org.opensatchel.core.scan.Listening;
import org.opensatchel.core.scan.Scan;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.kind.TypeNames;
import org.opensatchel.formats.media.MediaFacts;

/**
 * Which files a kit's briefs are about, each held against all that is asked of it: the files that fill a role, and pictures, films and sounds
 * of a folder, where no folder in it has a brief of its own.
 */
public final class Briefing {

    private static final Set<FileKind> MEDIA = EnumSet.of(FileKind.PICTURE, FileKind.SOUND, FileKind.MOVING_PICTURE);
    private static final Set<BriefWording> OF_PICTURES = EnumSet.of(BriefWording.SIZE, BriefWording.SHAPE, BriefWording.TRANSPARENCY,
            BriefWording.CODEC, BriefWording.BITS);
    private static final Set<BriefWording> OF_SOUNDS = EnumSet.of(BriefWording.LENGTH, BriefWording.CODEC, BriefWording.BITS,
            BriefWording.SOUND, BriefWording.SAMPLE_RATE, BriefWording.CHANNELS, BriefWording.PEAKS, BriefWording.LOUDNESS);

    /** Sound that is measured where all of it is there. */
    private static final Set<String> MEASURED = Set.of("PCM", "PCM float", "FLAC");

    private final PlanMatch plan;
    private final ProjectTree tree;
    private final Scan scan;
    private final Predicate<ProjectFile> hasContent;
    private final Map<ProjectPath, List<Asked>> asked = new LinkedHashMap<>();

    private record Asked(MediaRule rule, boolean isSpecific) {}

    private Briefing(PlanMatch plan, ProjectTree tree, Scan scan, Predicate<ProjectFile> hasContent) {
        this.plan = plan;
        this.tree = tree;
        this.scan = scan;
        this.hasContent = hasContent;
    }

    /** Which sounds have to be measured for a kit's briefs; of folders nobody knows yet which ones they are. */
    public static Listening listening(Kit kit) {
        boolean folders = kit.folders().stream().anyMatch(rule -> needsSamples(rule.media()));
        List<List<String>> types = Stream.concat(
                kit.documents().stream().filter(rule -> needsSamples(rule.media())).map(Kit.DocumentRule::types),
                kit.files().stream().filter(rule -> needsSamples(rule.media())).map(Kit.FileRule::types)).toList();
        if (!folders && types.isEmpty()) {
            return Listening.NONE;
        }
        boolean loud = kit.briefs().stream().anyMatch(brief -> brief.rule().sound().loudness().isPresent());
        Listening.To how = loud ? Listening.To.LOUDNESS : Listening.To.PEAKS;
        return path -> folders || types.stream().anyMatch(some -> some.isEmpty() || TypeNames.contains(some, path.extension()))
                ? how
                : Listening.To.NOTHING;
    }

    private static boolean needsSamples(Optional<MediaRule> media) {
        return media.filter(rule -> rule.sound().needsSamples()).isPresent();
    }

    /**
     * @param apart older versions, and stand-ins of what is judged itself
     * @param hasContent whether a file's content came along
     */
    public static List<Briefed> of(PlanMatch plan, Kit kit, ProjectTree tree, Scan scan, Set<ProjectPath> apart,
            Predicate<ProjectFile> hasContent) {
        if (kit.briefs().isEmpty()) {
            return List.of();
        }
        Briefing briefing = new Briefing(plan, tree, scan, hasContent);
        plan.roles().forEach(briefing::role);
        plan.folders().forEach(briefing::folder);
        briefing.asked.keySet().removeAll(apart);
        return briefing.asked.entrySet().stream().flatMap(file -> briefing.judged(file.getKey(), file.getValue()).stream()).toList();
    }

    private void role(PlannedRole role) {
        if (role.media().isPresent() && role.need() != Need.FORBIDDEN) {
            Stream.of(role.fitting(), role.misnamed(), role.misplaced()).flatMap(List::stream)
                    .forEach(path -> ask(path, role.media().get(), true));
        }
    }

    private void folder(PlannedFolder match) {
        FolderRule rule = match.rule();
        if (rule.media().isEmpty() || rule.managed() || rule.need() == Need.FORBIDDEN) {
            return;
        }
        for (ProjectPath folder : match.found()) {
            tree.filesBelow(folder).stream().map(ProjectFile::path)
                    .filter(path -> MEDIA.contains(Formats.kind(path.extension())) && !path.name().startsWith("."))
                    .filter(path -> !plan.isManaged(path) && plan.starter(path).isEmpty() && isNearest(folder, path))
                    .forEach(path -> ask(path, rule.media().get(), false));
        }
    }

    private boolean isNearest(ProjectPath folder, ProjectPath path) {
        for (ProjectPath at = path.parent(); !at.equals(folder) && !at.isRoot(); at = at.parent()) {
            if (plan.rule(at).flatMap(FolderRule::media).isPresent()) {
                return false;
            }
        }
        return true;
    }

    private void ask(ProjectPath path, MediaRule rule, boolean isSpecific) {
        asked.computeIfAbsent(path, key -> new ArrayList<>()).add(new Asked(rule, isSpecific));
    }

    private Optional<Briefed> judged(ProjectPath path, List<Asked> rules) {
        Optional<ProjectFile> file = tree.file(path).filter(found -> found.bytes() > 0 && !found.entry().placeholder());
        FileFacts facts = scan.facts(path);
        // What is no such file at all, or broke off before it said anything, is told as that.
        boolean brokeOff = facts.media().filter(media -> media.end() == MediaFacts.End.CUT && !media.saysAnything()).isPresent();
        if (brokeOff || file.isEmpty() || facts.lie().isPresent() || facts.shortcut() || facts.zeroFilled()
                || scan.damaged().containsKey(path)) {
            return Optional.empty();
        }
        if (facts.media().isEmpty() && !hasContent.test(file.get())) {
            return Optional.of(briefed(path, rules, List.of(), List.of(), Briefed.Why.ABSENT, Optional.empty()));
        }
        boolean whole = hasContent.test(file.get());
        return Optional.of(facts.media().map(media -> judged(path, rules, media, facts, whole))
                .orElseGet(() -> briefed(path, rules, List.of(), unsaid(path, rules), Briefed.Why.FORMAT, Optional.empty())));
    }

    private static Briefed judged(ProjectPath path, List<Asked> rules, MediaFacts media, FileFacts facts, boolean whole) {
        Map<Code, Mismatch> mismatches = new LinkedHashMap<>();
        Set<BriefWording> open = EnumSet.noneOf(BriefWording.class);
        for (Asked one : rules) {
            Judged judged = BriefJudge.judge(one.rule(), media, facts.levels(), one.isSpecific());
            judged.mismatches().forEach(mismatch -> mismatches.putIfAbsent(mismatch.code(), mismatch));
            open.addAll(judged.unjudged());
        }
        boolean told = media.saysAnything();
        boolean unheard = !media.sounds().isEmpty() && facts.levels().isEmpty()
                && EnumSet.of(BriefWording.PEAKS, BriefWording.LOUDNESS).containsAll(open);
        if (!told) {
            open.retainAll(unsaid(path, rules));
        }
        boolean coded = unheard && !MEASURED.contains(media.sounds().get(0).codec());
        Briefed.Why why = coded ? Briefed.Why.CODED
                : !whole ? Briefed.Why.PARTS : !told ? Briefed.Why.FORMAT : unheard ? Briefed.Why.CODED : Briefed.Why.UNSAID;
        return briefed(path, rules, List.copyOf(mismatches.values()), List.copyOf(open), why,
                media.sounds().stream().findFirst().map(MediaFacts.Sound::codec));
    }

    private static Briefed briefed(ProjectPath path, List<Asked> rules, List<Mismatch> mismatches, List<BriefWording> open,
            Briefed.Why why, Optional<String> codec) {
        boolean absent = why == Briefed.Why.ABSENT;
        return new Briefed(path, rules.stream().map(Asked::rule).toList(), mismatches, open,
                open.isEmpty() && !absent ? Briefed.Why.NONE : why, why == Briefed.Why.CODED ? codec : Optional.empty());
    }

    /** What is asked of a file that says nothing: of what lies in a folder only what its kind can be. */
    private static List<BriefWording> unsaid(ProjectPath path, List<Asked> rules) {
        Set<BriefWording> out = EnumSet.noneOf(BriefWording.class);
        for (Asked one : rules) {
            List<BriefWording> all = new ArrayList<>(BriefJudge.all(one.rule()));
            if (!one.isSpecific()) {
                switch (Formats.kind(path.extension())) {
                    case PICTURE -> all.retainAll(OF_PICTURES);
                    case SOUND -> all.retainAll(OF_SOUNDS);
                    default -> {
                        // A film can be all of it.
                    }
                }
            }
            out.addAll(all);
        }
        return List.copyOf(out);
    }
}
