package org.opensatchel.core.resolve;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.OLD_ROOT;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OVERLOOKED;
import static org.opensatchel.base.fact.FactName.ROOT;
import static org.opensatchel.base.fact.FactName.UNIT;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.location.OperatingSystem;
import org.opensatchel.core.naming.PortableName;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;

/**
 * Would the project open on another machine? For each link whether it leads to its file there, and for each file whether it can be there
 * at all.
 */
public final class CarryCheck {

    private final ProjectTree tree;
    private final Machine machine;
    private final String root;
    private final Optional<LinkAddress> place;
    private final Map<ProjectPath, Phrase> refused = new HashMap<>();

    private CarryCheck(ProjectTree tree, String rootName, Machine machine) {
        this.tree = tree;
        this.machine = machine;
        this.root = machine.root().replace("{root}", rootName);
        this.place = LinkText.read(root, Notation.PLAIN);
    }

    /**
     * Carries a project to a machine.
     *
     * @param rootName the name of its root
     * @param links all its links, in order
     */
    public static Carried of(ProjectTree tree, String rootName, List<ResolvedLink> links, Machine machine) {
        CarryCheck test = new CarryCheck(tree, rootName, machine);
        List<Carried.Refused> refused = test.files();
        List<Carried.Broken> broken = new ArrayList<>();
        for (int i = 0; i < links.size(); i++) {
            Optional<Phrase> why = test.breaks(links.get(i));
            if (why.isPresent()) {
                broken.add(new Carried.Broken(i, links.get(i), why.get()));
            }
        }
        return new Carried(machine, links.size() - broken.size(), broken, refused);
    }

    private List<Carried.Refused> files() {
        Map<String, ProjectPath> taken = new HashMap<>();
        Set<ProjectPath> folders = new HashSet<>();
        for (ProjectFile file : tree.files()) {
            if (file.isInCompanion()) {
                continue;
            }
            refusal(file, taken, folders).ifPresent(why -> refused.put(file.path(), why));
        }
        return tree.files().stream().filter(file -> refused.containsKey(file.path()))
                .map(file -> new Carried.Refused(file.path(), refused.get(file.path()))).toList();
    }

    private Optional<Phrase> refusal(ProjectFile file, Map<String, ProjectPath> taken, Set<ProjectPath> folders) {
        for (String name : file.path().names()) {
            Optional<Phrase> why = name(name);
            if (why.isPresent()) {
                return why;
            }
        }
        String whole = root + "/" + file.path().text();
        if (length(whole) > machine.maxPath()) {
            return Optional
                    .of(CarryWording.PATH_TOO_LONG.say(Facts.of(COUNT, length(whole)).and(MOST, machine.maxPath()).and(UNIT, unit())));
        }
        if (file.bytes() > machine.fileBytes()) {
            return Optional.of(CarryWording.FILE_TOO_LARGE.say(Facts.of(BYTES, file.bytes()).and(MOST_BYTES, machine.fileBytes())));
        }
        return clash(file.path(), taken, folders);
    }

    private Optional<Phrase> name(String name) {
        if (machine.system() == OperatingSystem.WINDOWS) {
            Optional<PortableName.Refusal> refusal = PortableName.refusal(name);
            if (refusal.isPresent()) {
                return Optional.of(CarryWording.NAME_REFUSED.say(Facts.of(FOUND, name).and(FAULT, refusal.get().what())));
            }
        } else if (machine.system() == OperatingSystem.MACOS && name.indexOf(':') >= 0) {
            return Optional.of(CarryWording.NAME_COLON.say(Facts.of(FOUND, name)));
        }
        return length(name) > machine.maxName()
                ? Optional.of(CarryWording.NAME_TOO_LONG
                        .say(Facts.of(FOUND, name).and(COUNT, length(name)).and(MOST, machine.maxName()).and(UNIT, unit())))
                : Optional.empty();
    }

    /** Two names that are one there: the second would be written over the first. Folders that are one there only flow together. */
    private Optional<Phrase> clash(ProjectPath path, Map<String, ProjectPath> taken, Set<ProjectPath> folders) {
        for (ProjectPath folder = path.parent(); !folder.isRoot() && folders.add(folder); folder = folder.parent()) {
            ProjectPath other = taken.putIfAbsent(key(folder.text()), folder);
            if (other != null && !folders.contains(other)) {
                return Optional.of(CarryWording.FOLDER_IS_FILE.say(Facts.of(FOUND, folder).and(OTHER, other)));
            }
        }
        ProjectPath other = taken.putIfAbsent(key(path.text()), path);
        return other == null || other.equals(path) ? Optional.empty() : Optional.of(CarryWording.SAME_NAME.say(Facts.of(OTHER, other)));
    }

    private String key(String path) {
        boolean oneForm = machine.unicode() != Machine.UnicodeRule.ANY;
        String form = oneForm ? NameFolding.composed(path) : path;
        return machine.caseIgnored()
                ? NameFolding.folded(form) + (oneForm ? "" : "\0" + (NameFolding.composed(path).equals(path) ? "c" : "d"))
                : form;
    }

    /** Windows and Macs count UTF-16 units, Linux counts bytes. */
    private int length(String text) {
        return machine.system() == OperatingSystem.LINUX ? text.getBytes(StandardCharsets.UTF_8).length : text.length();
    }

    private String unit() {
        return machine.system() == OperatingSystem.LINUX ? "bytes" : "characters";
    }

    /** Why a link does not open there; empty when it does. */
    private Optional<Phrase> breaks(ResolvedLink link) {
        Optional<Phrase> lost = link.target().filter(refused::containsKey)
                .map(target -> CarryWording.FILE_REFUSED.say(Facts.of(FOUND, target.name()).and(FAULT, refused.get(target))));
        if (lost.isPresent()) {
            return lost;
        }
        return switch (link.outcome()) {
            case OK -> ok(link);
            case EMBEDDED -> Optional.empty();
            case PINNED -> pinned(link);
            case MISSPELT -> misspelt(link);
            case MOVED -> Optional.of(CarryWording.MOVED.say());
            case MISSING -> Optional.of(CarryWording.MISSING.say());
            case OUTSIDE -> outside(link);
            case REMOTE -> reaches("web") ? Optional.empty() : Optional.of(CarryWording.WEB.say());
            case UNKNOWN -> Optional.of((link.form() == LinkForm.VARIABLE ? CarryWording.VARIABLE : CarryWording.UNKNOWN).say());
        };
    }

    private Optional<Phrase> ok(ResolvedLink link) {
        if (link.form() == LinkForm.ROOTED) {
            return Optional.of(CarryWording.WEB_ROOT.say());
        }
        String wanted = link.intended().map(ProjectPath::text).orElse("");
        boolean recomposed = machine.unicode() == Machine.UnicodeRule.COMPOSED && !NameFolding.composed(wanted).equals(wanted);
        return recomposed ? Optional.of(CarryWording.SPLIT_ACCENTS.say()) : Optional.empty();
    }

    private Optional<Phrase> pinned(ResolvedLink link) {
        Optional<LinkAddress> old = link.oldRoot().flatMap(text -> LinkText.read(text, Notation.PLAIN));
        boolean same = old.isPresent() && place.isPresent() && old.get().names().size() == place.get().names().size()
                && old.get().prefixKey(old.get().names().size()).equals(place.get().prefixKey(place.get().names().size()));
        return same ? Optional.empty()
                : Optional.of(CarryWording.PINNED.say(Facts.of(OLD_ROOT, link.oldRoot().orElse(link.link().text())).and(ROOT, root)));
    }

    private Optional<Phrase> misspelt(ResolvedLink link) {
        Overlooked overlooked = link.overlooked().orElse(Overlooked.CAPITALS);
        boolean windows = machine.system() == OperatingSystem.WINDOWS;
        if (overlooked == Overlooked.BACKSLASHES) {
            return windows ? Optional.empty() : Optional.of(CarryWording.BACKSLASHES.say());
        }
        if (overlooked == Overlooked.UNENCODED_SIGNS || overlooked == Overlooked.PERCENT_ENCODING
                || overlooked == Overlooked.TWICE_ENCODED) {
            return Optional.of(CarryWording.OTHER_SPELLING.say());
        }
        String wanted = link.intended().map(ProjectPath::text).orElse("");
        String found = link.target().map(ProjectPath::text).orElse("");
        if (windows) {
            wanted = trimmed(wanted);
            found = trimmed(found);
        }
        if (machine.unicode() != Machine.UnicodeRule.ANY) {
            wanted = NameFolding.composed(wanted);
            found = NameFolding.composed(found);
        }
        boolean same = machine.caseIgnored() ? caseless(wanted).equals(caseless(found)) : wanted.equals(found);
        return same ? Optional.empty()
                : Optional.of(CarryWording.OTHER_NAME
                        .say(Facts.of(FOUND, link.target().map(ProjectPath::name).orElse("")).and(OVERLOOKED, overlooked.say())));
    }

    /** Letter case alone is folded here; the Unicode form has been dealt with before. */
    private static String caseless(String path) {
        return path.toUpperCase(java.util.Locale.ROOT).toLowerCase(java.util.Locale.ROOT);
    }

    private static String trimmed(String path) {
        StringBuilder out = new StringBuilder();
        for (String name : path.split("/")) {
            int end = name.length();
            while (end > 0 && (name.charAt(end - 1) == ' ' || name.charAt(end - 1) == '.')) {
                end--;
            }
            out.append('/').append(name, 0, end);
        }
        return out.toString();
    }

    private Optional<Phrase> outside(ResolvedLink link) {
        if (link.form() == LinkForm.UNC) {
            return reaches("network") ? Optional.empty() : Optional.of(CarryWording.SHARE.say());
        }
        return Optional.of(CarryWording.OUTSIDE.say());
    }

    private boolean reaches(String what) {
        return machine.reaches().contains(what);
    }
}
