package org.opensatchel.core.compare;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.opensatchel.core.compare.KitChange.Kind;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.naming.NameRules;

/** What a person would say had changed between two versions of a kit, in the order of the kit document. */
public final class KitDifference {

    private final List<KitChange> changes = new ArrayList<>();

    private KitDifference() {
    }

    /** Every difference; none when the two say the same, whatever their version numbers. */
    public static List<KitChange> between(Kit before, Kit after) {
        KitDifference difference = new KitDifference();
        difference.heads(before, after);
        difference.names(before.nameRules(), after.nameRules());
        difference.folders(before, after);
        difference.listed("companions", before.companions(), after.companions(), Kit.Companion::name, KitDifference::companion);
        difference.listed("documents", before.documents(), after.documents(), Kit.DocumentRule::role, KitDifference::document);
        difference.listed("files", before.files(), after.files(), Kit.FileRule::role, KitDifference::file);
        difference.starter(before.starter(), after.starter());
        difference.links(before.links(), after.links());
        difference.location(before.location().orElse(LocationPolicy.ANYWHERE), after.location().orElse(LocationPolicy.ANYWHERE));
        difference.rest(before, after);
        return List.copyOf(difference.changes);
    }

    private void heads(Kit before, Kit after) {
        value("title", "the title", before.title(), after.title());
        value("assignment", "the assignment", before.assignment().orElse("–"), after.assignment().orElse("–"));
        value("root", "the root's name", before.root().text(), after.root().text());
    }

    private void value(String part, String what, Object before, Object after) {
        if (!before.equals(after)) {
            changes.add(new KitChange(part, Kind.CHANGED, "", capital(what) + " is “" + after + "”; it was “" + before + "”."));
        }
    }

    private void names(NameRules before, NameRules after) {
        if (before.spaces() != after.spaces()) {
            say("names", "Spaces in names are " + (after.spaces() ? "allowed now." : "no longer allowed."));
        }
        if (before.letters() != after.letters()) {
            say("names", switch (after.letters()) {
                case ANY -> "Names may have capitals and small letters.";
                case LOWER -> "Names have to be in small letters.";
                case UPPER -> "Names have to be in capitals.";
            });
        }
        if (before.maxLength() != after.maxLength()) {
            say("names", after.maxLength() == 0 ? "Names may have any length." : "Names may have " + after.maxLength() + " characters; " + (before.maxLength() == 0 ? "there was no limit." : "it was " + before.maxLength() + "."));
        }
        if (before.portable() != after.portable()) {
            say("names", after.portable() ? "Names have to work on every system." : "Names no longer have to work on every system.");
        }
        if (before.ascii() != after.ascii()) {
            say("names", after.ascii() ? "Names may have plain letters A to Z only." : "Names may have accents.");
        }
        sets("names", "", "Names", "may no longer say", "may say", before.avoid(), after.avoid());
    }

    private void folders(Kit before, Kit after) {
        listed("folders", before.folders(), after.folders(), rule -> rule.path().text(), this::folder);
        if (before.otherFolders() != after.otherFolders()) {
            say("otherFolders", switch (after.otherFolders()) {
                case ALLOW -> "Folders nobody planned are allowed.";
                case NOTE -> "Folders nobody planned are noted.";
                case FORBID -> "Folders nobody planned are forbidden.";
            });
        }
    }

    private List<String> folder(FolderRule before, FolderRule after) {
        String name = "`" + after.path().text() + "`";
        List<String> out = new ArrayList<>();
        if (before.need() != after.need()) {
            out.add(name + (after.need() == Need.FORBIDDEN ? " must not be there any more." : " is " + after.need().word() + "; it was " + before.need().word() + "."));
        }
        out.addAll(types(name, before.accepts(), after.accepts()));
        if (before.atLeast() != after.atLeast()) {
            out.add(name + " has to hold " + after.atLeast() + " or more files; it was " + before.atLeast() + ".");
        }
        if (before.sealed() != after.sealed()) {
            out.add(name + (after.sealed() ? " is sealed: nothing in it may be renamed, moved or changed." : " is no longer sealed."));
        }
        if (before.managed() != after.managed()) {
            out.add(name + (after.managed() ? " is kept by the program and no longer looked into." : " is looked into again."));
        }
        if (!before.repeats().equals(after.repeats())) {
            out.add(after.repeats().isPresent() ? name + " repeats at least " + after.repeats().getAsInt() + " times." : name + " no longer has to repeat.");
        }
        if (!before.purpose().equals(after.purpose())) {
            out.add(name + " is for “" + after.purpose() + "”.");
        }
        return out;
    }

    private static List<String> types(String name, List<String> before, List<String> after) {
        if (Set.copyOf(before).equals(Set.copyOf(after))) {
            return List.of();
        }
        if (after.isEmpty()) {
            return List.of(name + " now takes any file.");
        }
        if (before.isEmpty()) {
            return List.of(name + " now takes only " + String.join(", ", after) + ".");
        }
        List<String> out = new ArrayList<>();
        Set<String> more = without(after, before);
        Set<String> less = without(before, after);
        if (!more.isEmpty()) {
            out.add(name + " now accepts " + String.join(", ", more) + ".");
        }
        if (!less.isEmpty()) {
            out.add(name + " no longer accepts " + String.join(", ", less) + ".");
        }
        return out;
    }

    private static Set<String> without(Collection<String> from, Collection<String> what) {
        Set<String> left = new LinkedHashSet<>(from);
        left.removeAll(what);
        return left;
    }

    private static List<String> companion(Kit.Companion before, Kit.Companion after) {
        return List.of("`" + after.name() + "` beside the root has another rule: " + after.need().word() + (after.managed() ? ", kept by a program" : "") + ", " + after.purpose() + ".");
    }

    private static List<String> document(Kit.DocumentRule before, Kit.DocumentRule after) {
        String name = "“" + after.role() + "”";
        List<String> out = role(name, before.in().text(), after.in().text(), before.name().text(), after.name().text(), before.need(), after.need());
        out.addAll(types(name, before.types(), after.types()));
        if (before.versions() != after.versions()) {
            out.add(name + " needs " + after.versions() + " versions; it was " + before.versions() + ".");
        }
        if (before.maxLength() != after.maxLength()) {
            out.add(name + (after.maxLength() == 0 ? " may have a name of any length." : " may have a name of " + after.maxLength() + " characters."));
        }
        like(name, before.namedLike(), after.namedLike()).ifPresent(out::add);
        return out;
    }

    private static List<String> file(Kit.FileRule before, Kit.FileRule after) {
        String name = "“" + after.role() + "”";
        List<String> out = role(name, before.in().text(), after.in().text(), before.name().text(), after.name().text(), before.need(), after.need());
        out.addAll(types(name, before.types(), after.types()));
        if (!KitSentences.media(before.media()).equals(KitSentences.media(after.media()))) {
            out.add(name + " has to be: " + KitSentences.media(after.media()) + "; it was: " + KitSentences.media(before.media()) + ".");
        }
        like(name, before.namedLike(), after.namedLike()).ifPresent(out::add);
        return out;
    }

    private static List<String> role(String name, String inBefore, String in, String patternBefore, String pattern, Need needBefore, Need need) {
        List<String> out = new ArrayList<>();
        if (!inBefore.equals(in)) {
            out.add(name + " belongs in `" + in + "`; it was `" + inBefore + "`.");
        }
        if (!patternBefore.equals(pattern)) {
            out.add(name + " is named `" + pattern + "`; it was `" + patternBefore + "`.");
        }
        if (needBefore != need) {
            out.add(name + " is " + need.word() + "; it was " + needBefore.word() + ".");
        }
        return out;
    }

    private static Optional<String> like(String name, Optional<String> before, Optional<String> after) {
        return before.equals(after) ? Optional.empty() : Optional.of(after.map(role -> name + " is named like “" + role + "”.").orElse(name + " has a name of its own."));
    }

    private void starter(List<StarterFile> before, List<StarterFile> after) {
        Map<String, StarterFile> old = byKey(before, file -> file.path().text());
        Map<String, StarterFile> fresh = byKey(after, file -> file.path().text());
        fresh.forEach((path, file) -> {
            StarterFile was = old.get(path);
            if (was == null) {
                changes.add(new KitChange("starter", Kind.ADDED, path, "The starter file `" + path + "` is new."));
            } else if (!was.sha256().equals(file.sha256())) {
                changes.add(new KitChange("starter", Kind.CHANGED, path, "The starter file `" + path + "` has another content."));
            }
            if (was != null && was.treat() != file.treat()) {
                changes.add(new KitChange("starter", Kind.CHANGED, path, "The starter file `" + path + "` " + KitSentences.treat(file.treat()) + "."));
            }
        });
        old.keySet().stream().filter(path -> !fresh.containsKey(path)).forEach(path -> changes.add(new KitChange("starter", Kind.REMOVED, path, "The starter file `" + path + "` is gone.")));
    }

    private void links(Kit.LinkPolicy before, Kit.LinkPolicy after) {
        grade("tied to one place", before.absolute(), after.absolute());
        grade("that lead out", before.outside(), after.outside());
        grade("to nothing", before.missing(), after.missing());
        grade("to the web", before.remote(), after.remote());
        listed("links", before.custom(), after.custom(), rule -> rule.files() + " " + rule.pattern().or(rule::element).or(rule::pointer).orElse(""),
                (was, is) -> List.of("The link rule for `" + is.files() + "` starts at the " + (is.fromRoot() ? "root" : "document") + (is.uri() ? " and reads addresses." : " and reads plain paths.")));
    }

    private void grade(String which, Optional<Kit.Grade> before, Optional<Kit.Grade> after) {
        if (!before.equals(after)) {
            say("links", "Links " + which + " are " + after.map(KitSentences::grade).orElse("judged as usual") + "; they were " + before.map(KitSentences::grade).orElse("judged as usual") + ".");
        }
    }

    private void location(LocationPolicy before, LocationPolicy after) {
        sets("location", "", "Projects", "may now lie on", "may no longer lie on", words(before.storage()), words(after.storage()));
        sets("location", "", "Projects", "must keep away from", "no longer have to keep away from", words(before.avoid()), words(after.avoid()));
        if (before.maxRootLength() != after.maxRootLength()) {
            say("location", after.maxRootLength() == 0 ? "The root's path may have any length." : "The root's path may have " + after.maxRootLength() + " characters.");
        }
    }

    private static List<String> words(List<? extends Enum<?>> values) {
        return values.stream().map(value -> value.name().toLowerCase(java.util.Locale.ROOT)).toList();
    }

    private void rest(Kit before, Kit after) {
        sets("machines", "", "It", "has to open on", "no longer has to open on", before.machines(), after.machines());
        if (!before.limits().equals(after.limits())) {
            say("limits", "The limits are " + KitSentences.limits(after.limits()) + "; they were " + KitSentences.limits(before.limits()) + ".");
        }
        listed("steps", before.steps(), after.steps(), Kit.Step::title, (was, is) -> List.of("The step “" + is.title() + "” says “" + is.text() + "”" + (is.confirm() ? " and is confirmed." : ".")));
        Set<org.opensatchel.core.finding.Code> codes = new java.util.TreeSet<>(before.severities().keySet());
        codes.addAll(after.severities().keySet());
        codes.stream().filter(code -> !before.severity(code).equals(after.severity(code))).forEach(code -> changes.add(new KitChange("severities", Kind.CHANGED, code.id(),
                "`" + code.id() + "` is " + KitSentences.severity(after.severity(code)) + "; it was " + KitSentences.severity(before.severity(code)) + ".")));
        if (!before.points().equals(after.points())) {
            say("points", "The points are " + KitSentences.points(after.points()) + "; they were " + KitSentences.points(before.points()) + ".");
        }
    }

    private <T> void listed(String part, List<T> before, List<T> after, Function<T, String> key, java.util.function.BiFunction<T, T, List<String>> said) {
        Map<String, T> old = byKey(before, key);
        Map<String, T> fresh = byKey(after, key);
        fresh.forEach((name, item) -> {
            if (!old.containsKey(name)) {
                changes.add(new KitChange(part, Kind.ADDED, name, "`" + name + "` is new" + KitSentences.about(item) + "."));
            } else if (!Objects.equals(old.get(name), item)) {
                said.apply(old.get(name), item).forEach(text -> changes.add(new KitChange(part, Kind.CHANGED, name, text)));
            }
        });
        old.keySet().stream().filter(name -> !fresh.containsKey(name)).forEach(name -> changes.add(new KitChange(part, Kind.REMOVED, name, "`" + name + "` is gone.")));
    }

    private static <T> Map<String, T> byKey(List<T> items, Function<T, String> key) {
        Map<String, T> out = new LinkedHashMap<>();
        items.forEach(item -> out.put(key.apply(item), item));
        return out;
    }

    private void sets(String part, String name, String who, String more, String less, List<String> before, List<String> after) {
        Set<String> added = without(after, before);
        Set<String> removed = without(before, after);
        if (!added.isEmpty()) {
            changes.add(new KitChange(part, Kind.CHANGED, name, who + " " + more + " " + String.join(", ", added) + "."));
        }
        if (!removed.isEmpty()) {
            changes.add(new KitChange(part, Kind.CHANGED, name, who + " " + less + " " + String.join(", ", removed) + "."));
        }
    }

    private void say(String part, String text) {
        changes.add(new KitChange(part, Kind.CHANGED, "", text));
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
