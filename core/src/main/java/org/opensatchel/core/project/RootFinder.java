package org.opensatchel.core.project;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.opensatchel.base.path.Leftovers;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Marker;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.project.RootChoice.PackingFault;

/**
 * Finds the root in what was handed in: the folder given, the only folder of an archive, or, where the project was packed
 * with other things, loose or inside itself, the folder that fits the kit best.
 */
public final class RootFinder {

    /** How many folders the root may be wrapped in before it is no longer looked for. */
    private static final int MAX_WRAPPINGS = 4;
    private static final int FEWEST_ALIKE = 2;
    /** Of so many folders at the top, projects in one archive are still found; more of them are a library. */
    private static final int MOST_COMPARED = 200;
    private static final Set<String> ARCHIVES = Set.of("zip", "rar", "7z", "tar", "gz", "tgz");

    private final Optional<Kit> kit;
    private final RosterFields fields;
    /** Names that only files in a root have: the marker's and those of starter files. */
    private final Set<String> telling = new LinkedHashSet<>();
    private SourceListing listing;
    /** For each folder (by its path, empty for the top) the names of the folders and files right in it. */
    private final Map<String, Names> inside = new HashMap<>();

    /** The folder of the last file: most files lie where the one before lay. */
    private String lastFolder = "";
    private Names lastInside;

    private final class Names {
        private final Set<String> folders = new TreeSet<>();
        /** Those files right in it that can tell a root. */
        private final Set<String> tellingFiles = new HashSet<>();
        private String firstFile;
        private int files;

        void add(String path, int from) {
            files++;
            if (firstFile == null) {
                firstFile = path.substring(from);
            }
            for (String name : telling) {
                if (path.length() - from == name.length() && path.endsWith(name)) {
                    tellingFiles.add(name);
                }
            }
        }
    }

    public RootFinder(Optional<Kit> kit, RosterFields fields) {
        this.kit = kit;
        this.fields = fields;
        this.telling.add(Marker.FILE);
        kit.ifPresent(plan -> plan.starter().stream().map(Kit.StarterFile::path).filter(path -> path.depth() == 1)
                .forEach(path -> telling.add(path.name())));
    }

    public RootChoice find(SourceListing found) {
        listing = found;
        inside.clear();
        lastFolder = "";
        lastInside = null;
        inside.put("", new Names());
        listing.files().stream().map(SourceEntry::path).filter(this::counts).forEach(path -> add(path, false));
        listing.folders().stream().filter(this::counts).forEach(path -> add(path, true));
        RootChoice start = listing.fromRoot() ? new RootChoice("", listing.name(), Optional.empty()) : top();
        return start.fault().isPresent() ? start : unwrapped(start);
    }

    private boolean counts(String path) {
        return !ProjectPath.of(path).isBesideRoot() && Leftovers.in(path).isEmpty();
    }

    private void add(String path, boolean folder) {
        int last = path.lastIndexOf('/');
        if (!folder && last > 0) {
            if (last != lastFolder.length() || !path.startsWith(lastFolder)) {
                lastFolder = path.substring(0, last);
                lastInside = inside.get(lastFolder);
            }
            if (lastInside != null) {
                lastInside.add(path, last + 1);
                return;
            }
        }
        int depth = 0;
        int from = 0;
        String above = "";
        // Deeper than the wrappings and one planned folder nothing is looked at.
        while (depth++ <= MAX_WRAPPINGS + 1) {
            int slash = path.indexOf('/', from);
            Names names = inside.computeIfAbsent(above, key -> new Names());
            if (slash < 0) {
                if (folder) {
                    names.folders.add(path.substring(from));
                } else {
                    names.add(path, from);
                    // A file at the top lies in no folder that could be the last one's.
                    lastInside = last > 0 ? names : lastInside;
                }
                return;
            }
            names.folders.add(path.substring(from, slash));
            above = path.substring(0, slash);
            from = slash + 1;
        }
    }

    private RootChoice top() {
        Names top = inside.get("");
        List<String> folders = new ArrayList<>(top.folders);
        folders.removeIf(name -> folders.size() > 1 && (isCompanion(name) || isHidden(name)));
        if (folders.size() == 1 && top.files == 0 && !isPlannedItself(folders.get(0))) {
            return new RootChoice(folders.get(0), Optional.of(folders.get(0)), Optional.empty());
        }
        if (folders.isEmpty()) {
            Optional<String> archive = onlyArchive(top);
            return new RootChoice("", Optional.empty(),
                    Optional.of(archive.map(name -> new PackingFault(Code.PACKAGE_NESTED_ROOT, name, List.of()))
                            .orElse(new PackingFault(Code.PACKAGE_NO_ROOT, "", looseFiles()))));
        }
        Optional<String> best = best("", folders);
        boolean byName = best.filter(this::nameFits).isPresent();
        int ownScore = score("");
        Optional<String> chosen = best.filter(folder -> byName || score(folder) > ownScore)
                .or(() -> ownScore > 0 ? Optional.empty() : twin(folders));
        if (chosen.isPresent()) {
            List<String> others = new ArrayList<>(folders);
            others.addAll(looseFiles());
            others.remove(chosen.get());
            return new RootChoice(chosen.get(), chosen, Optional.of(new PackingFault(Code.PACKAGE_SEVERAL_ROOTS, "", others)));
        }
        List<String> loose = new ArrayList<>(folders);
        loose.addAll(looseFiles());
        return new RootChoice("", Optional.empty(), Optional.of(new PackingFault(Code.PACKAGE_NO_ROOT, "", loose)));
    }

    /** Of folders that are made alike inside, as two projects are and the folders of one project are not, the fullest. */
    private Optional<String> twin(List<String> folders) {
        List<String> fullest = folders.stream()
                .filter(folder -> inside.containsKey(folder) && inside.get(folder).folders.size() >= FEWEST_ALIKE)
                .sorted(Comparator.comparing((String folder) -> inside.get(folder).folders.size())
                        .thenComparing(folder -> inside.get(folder).files).thenComparing(Comparator.reverseOrder()).reversed())
                .limit(MOST_COMPARED).toList();
        Map<String, Set<String>> loose = new HashMap<>();
        fullest.forEach(
                folder -> loose.put(folder, inside.get(folder).folders.stream().map(NameFolding::loose).collect(Collectors.toSet())));
        return fullest.stream().filter(folder -> fullest.stream()
                .anyMatch(other -> !other.equals(folder) && areAlike(loose.get(folder), loose.get(other)))).findFirst();
    }

    /** Two folders alike by chance have one inner folder in common; projects have at least two, and most. */
    private static boolean areAlike(Set<String> a, Set<String> b) {
        int most = Math.max(a.size(), b.size());
        if (2 * Math.min(a.size(), b.size()) < most) {
            return false;
        }
        long common = b.stream().filter(a::contains).count();
        return common >= FEWEST_ALIKE && 2 * common >= most;
    }

    /** Whether the only folder is one the plan has in the root, and nothing of the plan is in it: then its files came loose. */
    private boolean isPlannedItself(String folder) {
        return !nameFits(folder) && score("") > score(folder);
    }

    /** The files at the top; there may be very many, and only for a sentence do they need an order. */
    private List<String> looseFiles() {
        return listing.files().stream().map(SourceEntry::path).filter(path -> path.indexOf('/') < 0 && counts(path)).sorted().toList();
    }

    private RootChoice unwrapped(RootChoice start) {
        String prefix = start.prefix();
        String name = start.name().orElse("");
        List<String> around = new ArrayList<>();
        for (int i = 0; i < MAX_WRAPPINGS; i++) {
            Optional<String> deeper = deeper(prefix, name);
            if (deeper.isEmpty()) {
                break;
            }
            around.add(name);
            prefix = prefix.isEmpty() ? deeper.get() : prefix + "/" + deeper.get();
            name = deeper.get();
        }
        if (!around.isEmpty()) {
            return new RootChoice(prefix, Optional.of(name), Optional.of(new PackingFault(Code.PACKAGE_NESTED_ROOT, "", around)));
        }
        Names names = inside.getOrDefault(prefix, new Names());
        Optional<String> archive = names.folders.isEmpty() ? onlyArchive(names) : Optional.empty();
        return new RootChoice(prefix, start.name(), archive.map(file -> new PackingFault(Code.PACKAGE_NESTED_ROOT, file, List.of())));
    }

    /** The folder inside this one that is the real root, when this one is none. */
    private Optional<String> deeper(String prefix, String name) {
        Names names = inside.getOrDefault(prefix, new Names());
        if (names.folders.isEmpty() || score(prefix) > 0) {
            return Optional.empty();
        }
        if (kit.isEmpty()) {
            boolean alone = names.folders.size() == 1 && names.files == 0;
            String only = names.folders.iterator().next();
            boolean root = score(path(prefix, only)) > 0 || NameFolding.folded(only).equals(NameFolding.folded(name));
            return alone && root ? Optional.of(only) : Optional.empty();
        }
        return best(prefix, new ArrayList<>(names.folders))
                // A root that bears its right name is the root, however oddly it was filled, unless it holds itself once more.
                .filter(folder -> nameFits(name) ? nameFits(folder) && score(path(prefix, folder)) > 0 : true);
    }

    private Optional<String> best(String prefix, List<String> folders) {
        return folders.stream()
                .filter(folder -> nameFits(folder) || score(path(prefix, folder)) > 0)
                .max(Comparator.comparing((String folder) -> nameFits(folder)).thenComparing(folder -> score(path(prefix, folder)))
                        .thenComparing(Comparator.reverseOrder()));
    }

    /** How much of the plan lies right in a folder. */
    private int score(String folder) {
        Names names = inside.get(folder);
        if (names == null) {
            return 0;
        }
        int score = names.tellingFiles.contains(Marker.FILE) ? 2 : 0;
        if (kit.isEmpty()) {
            return score;
        }
        Map<String, Boolean> known = new HashMap<>();
        Set<String> loose = names.folders.stream().map(NameFolding::loose).collect(Collectors.toSet());
        for (FolderRule rule : kit.get().folders()) {
            NamePattern first = rule.path().names().get(0);
            score += known.computeIfAbsent(first.text(), text -> loose.contains(NameFolding.loose(text)) || isAmong(names.folders, first))
                    ? 1
                    : 0;
        }
        for (Kit.StarterFile starter : kit.get().starter()) {
            score += starter.path().depth() == 1 && names.tellingFiles.contains(starter.path().name()) ? 1 : 0;
        }
        return score;
    }

    private boolean isAmong(Set<String> folders, NamePattern first) {
        return !isAnyText(first) && folders.stream().anyMatch(name -> first.fits(name, fields, kit.orElseThrow().ascii()));
    }

    /** A first name like {@code {word}} fits every folder, and so says nothing. */
    private static boolean isAnyText(NamePattern pattern) {
        return pattern.text().startsWith("{") && pattern.text().endsWith("}") && pattern.text().indexOf('}') == pattern.text().length() - 1;
    }

    private boolean nameFits(String name) {
        return kit.isPresent() && !isAnyText(kit.get().root()) && kit.get().root().test(name, fields, kit.get().ascii()).fits();
    }

    /** A hidden folder at the top is no project, and no reason to take what lies beside it for loose. */
    private boolean isHidden(String name) {
        return name.startsWith(".")
                && (kit.isEmpty() || kit.get().folders().stream().noneMatch(rule -> rule.path().text().startsWith(".")));
    }

    private boolean isCompanion(String name) {
        return kit.isPresent() && kit.get().companions().stream().anyMatch(companion -> companion.name().equals(name));
    }

    private Optional<String> onlyArchive(Names names) {
        if (names.files != 1) {
            return Optional.empty();
        }
        String file = names.firstFile;
        String extension = file.substring(file.lastIndexOf('.') + 1).toLowerCase(java.util.Locale.ROOT);
        return ARCHIVES.contains(extension) ? Optional.of(file) : Optional.empty();
    }

    private static String path(String prefix, String name) {
        return prefix.isEmpty() ? name : prefix + "/" + name;
    }
}
