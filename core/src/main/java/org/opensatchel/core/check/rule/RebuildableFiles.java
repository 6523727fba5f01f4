package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HOW;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.match.Proxy;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;

/**
 * What takes room and is made again by itself: folders the kit says that of, a program's own folders that are called so, stand-ins whose
 * originals are there, and folders in which every file is called after one of the project's media and no document asks for any. Never
 * told from an ending, and never of what a document links.
 */
final class RebuildableFiles implements Rule<PlannedUseEvidence> {

    /** Words that folders of caches have in their names. */
    private static final Set<String> WORDS = Set.of("cache", "caches", "cached", "preview", "previews", "peaks", "thumbnails", "temp",
            "tmp");
    private static final Pattern BETWEEN = Pattern.compile("[^\\p{L}]+|(?<=\\p{Ll})(?=\\p{Lu})");

    @Override
    public Class<PlannedUseEvidence> needs() {
        return PlannedUseEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_REBUILDABLE);
    }

    @Override
    public List<Finding> judge(PlannedUseEvidence evidence) {
        return new Search(evidence).told();
    }

    private static boolean isCalledCache(ProjectPath folder) {
        return Arrays.stream(BETWEEN.split(folder.name())).map(NameFolding::folded).anyMatch(WORDS::contains);
    }

    /** One project's. */
    private static final class Search {

        private final PlannedUseEvidence evidence;
        private final Set<ProjectPath> told = new LinkedHashSet<>();
        private final List<Finding> out = new ArrayList<>();
        private Optional<Set<ProjectPath>> needed = Optional.empty();
        /** The names of the project's media, with their endings and without; gathered once somebody asks. */
        private Optional<Set<String>> names = Optional.empty();

        Search(PlannedUseEvidence evidence) {
            this.evidence = evidence;
        }

        /** Whether a document leads to a file, or it is one itself; gathered once there is something that may go. */
        private boolean isNeeded(ProjectPath path) {
            if (needed.isEmpty()) {
                Set<ProjectPath> all = new HashSet<>(evidence.linked());
                evidence.documents().forEach(document -> all.add(document.document()));
                needed = Optional.of(all);
            }
            return needed.get().contains(path);
        }

        List<Finding> told() {
            evidence.plan().ifPresent(plan -> plan.folders().stream().filter(match -> isRebuilt(match.rule()))
                    .forEach(match -> match.found().forEach(folder -> tell(folder, "planned"))));
            for (ProjectPath folder : evidence.tree().folders()) {
                boolean planned = evidence.plan().isPresent() && evidence.plan().get().rule(folder).isPresent();
                if (isCalledCache(folder) && !planned && isMadeOfOthers(folder)) {
                    tell(folder, "made");
                }
            }
            List<ProjectFile> proxies = evidence.proxies().values().stream().filter(Proxy::isMadeOfOriginal).map(Proxy::path)
                    .filter(path -> !isNeeded(path) && told.stream().noneMatch(path::isBelow))
                    .flatMap(path -> evidence.tree().file(path).stream()).toList();
            if (!proxies.isEmpty()) {
                ProjectPath folder = proxies.get(0).path().parent();
                boolean together = proxies.stream().allMatch(file -> file.path().parent().equals(folder));
                out.add(finding(together ? folder : ProjectPath.ROOT, "proxies", proxies));
            }
            return out;
        }

        private static boolean isRebuilt(FolderRule rule) {
            boolean cache = rule.managed() && !rule.autosave() && rule.path().isLiteral()
                    && isCalledCache(ProjectPath.of(rule.path().text()));
            return rule.rebuildable() || cache;
        }

        private void tell(ProjectPath folder, String how) {
            if (told.stream().anyMatch(above -> folder.equals(above) || folder.isBelow(above))) {
                return;
            }
            List<ProjectFile> files = evidence.tree().filesBelow(folder).stream()
                    .filter(file -> file.bytes() > 0 && !isNeeded(file.path()) && !evidence.isPlanned(file.path())).toList();
            if (!files.isEmpty()) {
                told.add(folder);
                out.add(finding(folder, how, files));
            }
        }

        private static Finding finding(ProjectPath folder, String how, List<ProjectFile> files) {
            return Finding.of(Code.ASSET_REBUILDABLE).path(folder).fact(HOW, how).fact(COUNT, files.size())
                    .fact(BYTES, files.stream().mapToLong(ProjectFile::bytes).sum()).make();
        }

        private boolean isMadeOfOthers(ProjectPath folder) {
            List<ProjectFile> files = evidence.tree().filesBelow(folder);
            return evidence.allLinksKnown() && !files.isEmpty()
                    && files.stream().map(ProjectFile::path).allMatch(path -> isCalledAfterMedia(path) && !isNeeded(path));
        }

        /** {@code lamp.wav.peak} after {@code lamp.wav}, and {@code lamp.peak} where that is no kind of file anybody knows. */
        private boolean isCalledAfterMedia(ProjectPath path) {
            if (names.isEmpty()) {
                Set<String> all = new HashSet<>();
                evidence.files().stream().map(ProjectFile::path)
                        .filter(file -> Formats.kind(file.extension()).isMedia() && !isCalledCache(file.parent()))
                        .forEach(file -> {
                            all.add(NameFolding.folded(file.name()));
                            all.add(NameFolding.folded(file.stem()) + "/");
                        });
                names = Optional.of(all);
            }
            boolean unknown = Formats.kind(path.extension()) == FileKind.OTHER && !Formats.isWritten(path.extension());
            String name = NameFolding.folded(path.name());
            if (unknown && names.get().contains(NameFolding.folded(path.stem()) + "/")) {
                return true;
            }
            for (int dot = name.lastIndexOf('.'); dot > 0; dot = name.lastIndexOf('.', dot - 1)) {
                if (names.get().contains(name.substring(0, dot))) {
                    return true;
                }
            }
            return false;
        }
    }
}
