package org.opensatchel.core.location;

import static org.opensatchel.base.fact.FactName.ALLOWED;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.EXAMPLE;
import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.STORAGE;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.location.LocationPolicy.Avoided;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.kind.FileKind;

/** Judges a declared location from its path alone, against the kit's rules and the name the root should have. */
public final class LocationJudge {

    /** Longest path anyone could mean, in characters. */
    public static final int MAX_PATH = 1_000;

    private static final String PACKED = "zip";
    private static final int WINDOWS_PATH = 259;
    private static final int POSIX_PATH = 1_023;
    private static final String WINDOWS_REFUSES = "<>:\"|?*";
    private static final Set<String> TEMPORARY = Set.of("temp", "tmp");
    private static final Set<String> WINDOWS_SYSTEM = Set.of("windows", "program files", "program files (x86)", "programdata");
    private static final Set<String> POSIX_SYSTEM = Set.of("system", "library", "applications", "usr", "etc", "bin", "sbin", "opt", "var",
            "private", "dev", "proc", "boot", "root");
    /** Names of folders that hold projects and are none, in the languages we speak. */
    private static final Set<String> CONTAINERS = Set.of("desktop", "documents", "downloads", "my documents", "users", "home", "volumes",
            "media", "mnt", "projects", "my projects",
            "school", "schoolwork", "work", "class", "classes", "courses", "coursework", "assignments", "homework", "college", "university",
            "uni", "student", "students",
            "schreibtisch", "dokumente", "benutzer", "projekte", "meine projekte", "schule", "arbeit", "studium", "hochschule", "kurse",
            "aufgaben", "studierende");

    private final LocationPolicy policy;
    private final String rootName;
    private final Optional<String> inferred;
    private final int deepest;
    private final List<LocationFault> faults = new ArrayList<>();

    private LocationJudge(LocationPolicy policy, String rootName, Optional<String> inferred, int deepest) {
        this.policy = policy;
        this.rootName = rootName;
        this.inferred = inferred;
        this.deepest = deepest;
    }

    /**
     * The parts of a path as a person reads them: the drive or disk, then the names.
     *
     * @param path as typed
     */
    public static List<String> parts(String path) {
        return LinkText.readTyped(path).map(LocationJudge::parts).orElse(List.of(path));
    }

    private static List<String> parts(LinkAddress address) {
        List<String> parts = new ArrayList<>();
        if (!address.anchor().isEmpty() && !address.anchor().equals("/")) {
            parts.add(address.form() == LinkForm.UNC ? address.anchor().replace('/', '\\') : address.anchor());
        }
        parts.addAll(address.names());
        if (parts.isEmpty()) {
            // The top of everything is a place too.
            parts.add(address.form() == LinkForm.DRIVE ? "\\" : "/");
        }
        return parts;
    }

    /**
     * Everything wrong, in the order: subfolder, parent, root-name, avoided-place, storage-kind, too-long, contradicts.
     *
     * @param rootName the name the root should have, empty when it is not known
     * @param deepest how many characters the longest planned path has below the root; 0 when nothing is planned
     */
    public static List<LocationFault> judge(ProjectLocation location, Optional<LocationPolicy> policy, Optional<String> rootName,
            int deepest) {
        return new LocationJudge(policy.orElse(LocationPolicy.ANYWHERE), rootName.orElse(""), Optional.empty(), deepest).judge(location);
    }

    /**
     * The same where the project itself is known.
     *
     * @param inferred the root its links were made under, where they agree on one
     */
    public static List<LocationFault> judge(ProjectLocation location, Optional<LocationPolicy> policy, Optional<String> rootName,
            Optional<String> inferred) {
        return new LocationJudge(policy.orElse(LocationPolicy.ANYWHERE), rootName.orElse(""), inferred, 0).judge(location);
    }

    private List<LocationFault> judge(ProjectLocation location) {
        String path = location.path().strip();
        Optional<LinkAddress> address = LinkText.readTyped(path);
        if (path.length() > MAX_PATH) {
            add(Code.LOCATION_TOO_LONG, OptionalInt.empty(), Facts.of(HOW, "absurd").and(COUNT, path.length()).and(MOST, MAX_PATH),
                    location);
            return faults;
        }
        if (address.isEmpty() || !address.get().form().isAbsolute()) {
            add(Code.LOCATION_ROOT_NAME, OptionalInt.empty(), Facts.of(HOW, "partial").and(FOUND, path), location);
            return faults;
        }
        List<String> parts = parts(address.get());
        position(address.get(), parts, location);
        avoided(address.get(), parts, location);
        storage(address.get(), location);
        int length = path.length();
        if (policy.maxRootLength() > 0 && length > policy.maxRootLength()) {
            add(Code.LOCATION_TOO_LONG, OptionalInt.empty(), Facts.of(HOW, "limit").and(COUNT, length).and(MOST, policy.maxRootLength()),
                    location);
        }
        boolean tooDeep = deepest > 0 && length + 1 + deepest > longest(address.get(), location);
        if (tooDeep && faults.stream().noneMatch(fault -> fault.code() == Code.LOCATION_TOO_LONG)) {
            add(Code.LOCATION_TOO_LONG, OptionalInt.empty(),
                    Facts.of(HOW, "deepest").and(COUNT, length + 1 + deepest).and(MOST, longest(address.get(), location)), location);
        }
        contradictions(address.get(), parts, location);
        return faults;
    }

    /** The longest path of a file on the system that a path is of. */
    private static int longest(LinkAddress address, ProjectLocation location) {
        boolean windows = address.form() == LinkForm.DRIVE || location.system().filter(OperatingSystem.WINDOWS::equals).isPresent();
        return windows ? WINDOWS_PATH : POSIX_PATH;
    }

    /** What was said of the computer and the disk, against what the path itself shows. */
    private void contradictions(LinkAddress address, List<String> parts, ProjectLocation location) {
        boolean drive = address.form() == LinkForm.DRIVE;
        boolean posix = Set.of(LinkForm.POSIX, LinkForm.VOLUME, LinkForm.HOME).contains(address.form());
        boolean onWindows = location.system().filter(OperatingSystem.WINDOWS::equals).isPresent();
        if (location.system().isPresent() && (onWindows ? posix : drive)) {
            add(Code.LOCATION_CONTRADICTS, OptionalInt.of(0), Facts.of(HOW, drive ? "windows" : "unix").and(FOUND, parts.get(0)), location);
            return;
        }
        if (location.storage().filter(StorageKind.REMOVABLE::equals).isPresent() && isInside(address)) {
            String inside = drive ? address.anchor() : "/" + parts.get(0);
            add(Code.LOCATION_CONTRADICTS, OptionalInt.of(0), Facts.of(HOW, "carried").and(FOUND, inside), location);
        }
        for (int i = parts.size() - address.names().size(); i < parts.size(); i++) {
            Optional<String> sign = impossible(parts.get(i), drive);
            if (sign.isPresent()) {
                add(Code.LOCATION_CONTRADICTS, OptionalInt.of(i), Facts.of(HOW, "characters").and(FOUND, sign.get()), location);
                return;
            }
        }
    }

    /** Whether a path is on the disk that holds the system, which nobody carries. */
    private static boolean isInside(LinkAddress address) {
        String first = address.names().isEmpty() ? "" : NameFolding.folded(address.names().get(0));
        return address.form() == LinkForm.DRIVE ? address.anchor().regionMatches(true, 0, "C", 0, 1)
                : address.form() == LinkForm.HOME || address.form() == LinkForm.POSIX && Set.of("users", "home").contains(first);
    }

    /** A sign that no name on the system can have. */
    private static Optional<String> impossible(String name, boolean windows) {
        return name.codePoints().filter(point -> Character.isISOControl(point) || windows && WINDOWS_REFUSES.indexOf(point) >= 0)
                .mapToObj(Character::toString).findFirst();
    }

    private void position(LinkAddress address, List<String> parts, ProjectLocation location) {
        if (rootName.isEmpty() || parts.isEmpty()) {
            return;
        }
        int last = parts.size() - 1;
        String name = parts.get(last);
        boolean twice = last > 0 && isRoot(name) && isRoot(parts.get(last - 1));
        if (twice) {
            add(Code.LOCATION_SUBFOLDER, OptionalInt.of(last), Facts.of(HOW, "twice").and(FOUND, name), location);
            return;
        }
        String ending = ProjectPath.of(name).extension();
        boolean file = !rootName.contains(".") && endsLikeAFile(ending);
        if (file && !address.names().isEmpty()) {
            add(Code.LOCATION_ROOT_NAME, OptionalInt.of(last),
                    Facts.of(HOW, ending.equals(PACKED) ? PACKED : "file").and(FOUND, name).and(EXPECTED, rootName), location);
            return;
        }
        if (NameFolding.composed(name).equals(NameFolding.composed(rootName)) || isProven(address)) {
            return;
        }
        for (int i = last - 1; i >= 0; i--) {
            if (NameFolding.folded(parts.get(i)).equals(NameFolding.folded(rootName))) {
                add(Code.LOCATION_SUBFOLDER, OptionalInt.of(last), Facts.of(FOUND, name).and(EXPECTED, parts.get(i)), location);
                return;
            }
        }
        if (isContainer(address, parts)) {
            add(Code.LOCATION_PARENT, OptionalInt.of(last), Facts.of(FOUND, name).and(EXPECTED, rootName), location);
            return;
        }
        add(Code.LOCATION_ROOT_NAME, OptionalInt.of(last), Facts.of(HOW, "name").and(FOUND, name).and(EXPECTED, rootName), location);
    }

    /** Whether it is the path of a file in the project that was given: a document's as well, which is of no kind by its ending alone. */
    private static boolean endsLikeAFile(String ending) {
        return Formats.kind(ending) != FileKind.OTHER || Formats.documentEndings().contains(ending) || ending.equals(PACKED);
    }

    private boolean isRoot(String name) {
        return NameFolding.folded(name).equals(NameFolding.folded(rootName));
    }

    /** Whether the links of the project were made under this very folder: then it is the root there, whatever it is called. */
    private boolean isProven(LinkAddress address) {
        return inferred.flatMap(LinkText::readTyped)
                .filter(root -> root.prefixKey(root.names().size()).equals(address.prefixKey(address.names().size()))).isPresent();
    }

    /**
     * Whether the last part is a place that holds projects: a disk, somebody's own folder, one that is called so, or where the links say
     * that the root lies in it.
     */
    private boolean isContainer(LinkAddress address, List<String> parts) {
        String name = NameFolding.folded(parts.get(parts.size() - 1));
        boolean disk = address.names().isEmpty();
        boolean somebodys = address.names().size() == 2
                && Set.of("users", "home", "benutzer").contains(NameFolding.folded(address.names().get(0)));
        return disk || somebodys || CONTAINERS.contains(name) || isAround(address);
    }

    private boolean isAround(LinkAddress address) {
        Optional<LinkAddress> root = inferred.flatMap(LinkText::readTyped);
        int depth = address.names().size();
        return root.isPresent() && root.get().names().size() == depth + 1 && root.get().prefixKey(depth).equals(address.prefixKey(depth))
                && NameFolding.folded(root.get().name()).equals(NameFolding.folded(rootName));
    }

    private void avoided(LinkAddress address, List<String> parts, ProjectLocation location) {
        boolean rooted = !NameFolding.folded(parts.get(parts.size() - 1)).equals(NameFolding.folded(rootName));
        int end = rooted ? parts.size() : parts.size() - 1;
        for (int i = 0; i < end; i++) {
            String part = NameFolding.folded(parts.get(i));
            Optional<Avoided> place = place(address, parts, i, part);
            if (place.isPresent()) {
                add(Code.LOCATION_AVOIDED_PLACE, OptionalInt.of(i), Facts.of(HOW, place.get()).and(FOUND, parts.get(i)), location);
                return;
            }
        }
    }

    private Optional<Avoided> place(LinkAddress address, List<String> parts, int i, String part) {
        boolean first = i == (parts.size() - address.names().size());
        if (policy.avoid().contains(Avoided.DESKTOP) && part.equals("desktop")) {
            return Optional.of(Avoided.DESKTOP);
        }
        if (policy.avoid().contains(Avoided.DOWNLOADS) && (part.equals("downloads") || part.equals("download"))) {
            return Optional.of(Avoided.DOWNLOADS);
        }
        if (policy.avoid().contains(Avoided.DOCUMENTS) && (part.equals("documents") || part.equals("my documents"))) {
            return Optional.of(Avoided.DOCUMENTS);
        }
        boolean folders = part.equals("folders") && i > 0 && NameFolding.folded(parts.get(i - 1)).equals("var");
        if (policy.avoid().contains(Avoided.TEMPORARY) && (TEMPORARY.contains(part) || folders)) {
            return Optional.of(Avoided.TEMPORARY);
        }
        boolean windows = address.form() == LinkForm.DRIVE;
        boolean system = first
                && (windows ? WINDOWS_SYSTEM.contains(part) : address.form() == LinkForm.POSIX && POSIX_SYSTEM.contains(part));
        return policy.avoid().contains(Avoided.SYSTEM) && system ? Optional.of(Avoided.SYSTEM) : Optional.empty();
    }

    private void storage(LinkAddress address, ProjectLocation location) {
        Optional<StorageKind> kind = address.form() == LinkForm.UNC ? Optional.of(StorageKind.NETWORK) : location.storage();
        if (kind.isEmpty()) {
            return;
        }
        boolean synced = kind.get() == StorageKind.SYNCED && policy.avoid().contains(Avoided.SYNCED);
        boolean refused = !policy.storage().isEmpty() && !policy.storage().contains(kind.get());
        if (refused) {
            add(Code.LOCATION_STORAGE_KIND, OptionalInt.of(0), Facts.of(STORAGE, kind.get()).and(ALLOWED, policy.storage()), location);
        } else if (synced) {
            add(Code.LOCATION_AVOIDED_PLACE, OptionalInt.of(0), Facts.of(HOW, Avoided.SYNCED), location);
        }
    }

    private void add(Code code, OptionalInt part, Facts facts, ProjectLocation location) {
        faults.add(new LocationFault(code, part, facts.and(EXAMPLE, example(location))));
    }

    /** A path that would be right, on the kind of computer the student has. */
    private String example(ProjectLocation location) {
        String root = rootName.isEmpty() ? "project" : rootName;
        boolean removable = policy.storage().isEmpty() || policy.storage().contains(StorageKind.REMOVABLE);
        OperatingSystem system = location.system().orElse(
                location.path().startsWith("/") || location.path().startsWith("~") ? OperatingSystem.MACOS : OperatingSystem.WINDOWS);
        return switch (system) {
            case WINDOWS -> (removable ? "E:\\" : "D:\\") + root;
            case MACOS -> (removable ? "/Volumes/STICK/" : "/Users/Shared/") + root;
            case LINUX -> (removable ? "/media/" + "student/STICK/" : "/srv/projects/") + root;
        };
    }

    /** The word for a system in a sentence. */
    public static String systemWord(OperatingSystem system) {
        return system == OperatingSystem.MACOS ? "Mac" : system.name().charAt(0) + system.name().substring(1).toLowerCase(Locale.ROOT);
    }
}
