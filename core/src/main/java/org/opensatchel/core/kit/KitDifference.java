package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.AFTER;
import static org.opensatchel.base.fact.FactName.ALLOWED;
import static org.opensatchel.base.fact.FactName.BEFORE;
import static org.opensatchel.base.fact.FactName.CODE;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FORM;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.NEED;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PLACES;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.SEVERITY;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.WAS;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Stream;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.fact.Wording;
import org.opensatchel.core.kit.KitChange.Kind;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.kit.MediaRule;
import org.opensatchel.core.kit.Need;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.formats.described.Profile;

/** What a person would say had changed between two versions of a kit, in the order of the kit document. */
public final class KitDifference {

    private final List<KitChange> changes = new ArrayList<>();

    private KitDifference() {
    }

    /** Every difference; none when the two say the same, whatever their version numbers. */
    public static List<KitChange> between(Kit before, Kit after) {
        KitDifference difference = new KitDifference();
        difference.heads(before, after);
        difference.told("names", KitShapes.NAMES, before.nameRules(), after.nameRules());
        difference.folders(before, after);
        difference.listed("companions", before.companions(), after.companions(), Kit.Companion::name, KitDifference::companion);
        difference.listed("documents", before.documents(), after.documents(), Kit.DocumentRule::role,
                named(KitShapes.DOCUMENT, Kit.DocumentRule::role));
        difference.listed("files", before.files(), after.files(), Kit.FileRule::role, named(KitShapes.FILE, Kit.FileRule::role));
        difference.listed("rootFiles", before.rootFiles(), after.rootFiles(), file -> file.name().text(),
                named(KitShapes.ROOT_FILE, file -> file.name().text()));
        difference.starter(before.starter(), after.starter());
        difference.links(before.links(), after.links());
        difference.told("location", KitShapes.LOCATION, before.location().orElse(LocationPolicy.ANYWHERE),
                after.location().orElse(LocationPolicy.ANYWHERE));
        difference.demands(before, after);
        difference.rest(before, after);
        return List.copyOf(difference.changes);
    }

    private void heads(Kit before, Kit after) {
        value("title", ChangeWording.TITLE, Optional.of(before.title()), Optional.of(after.title()));
        value("assignment", ChangeWording.ASSIGNMENT, before.assignment(), after.assignment());
        value("root", ChangeWording.ROOT, Optional.of(before.root().text()), Optional.of(after.root().text()));
    }

    private void value(String part, ChangeWording what, Optional<String> before, Optional<String> after) {
        if (!before.equals(after)) {
            say(part, what.say(Facts.NONE.and(BEFORE, before).and(AFTER, after)));
        }
    }

    private <R extends Record> void told(String part, Shape<R> shape, R before, R after) {
        shape.changes(Facts.NONE, before, after).forEach(what -> say(part, what));
    }

    private static <R extends Record> BiFunction<R, R, List<Phrase>> named(Shape<R> shape, Function<R, String> name) {
        return (before, after) -> shape.changes(Facts.of(FOUND, name.apply(after)), before, after);
    }

    /** Further demands say themselves: what is said no more, and what is said anew. */
    private void demands(Kit before, Kit after) {
        List<Phrase> was = demands(before);
        List<Phrase> is = demands(after);
        is.stream().filter(demand -> !was.contains(demand))
                .forEach(demand -> say("demands", ChangeWording.DEMAND.say(Facts.of(WHAT, demand))));
        was.stream().filter(demand -> !is.contains(demand))
                .forEach(demand -> say("demands", ChangeWording.DEMAND_NO_LONGER.say(Facts.of(WHAT, demand))));
        sets("ignore", TYPES, ChangeWording.IGNORES, ChangeWording.IGNORES_NO_LONGER, before.ignored(), after.ignored());
    }

    private static List<Phrase> demands(Kit kit) {
        return Stream.concat(kit.demands().stream(), kit.timings().stream()).map(Demand::say).toList();
    }

    private void folders(Kit before, Kit after) {
        listed("folders", before.folders(), after.folders(), rule -> rule.path().text(),
                named(KitShapes.FOLDER, rule -> rule.path().text()));
        if (before.otherFolders() != after.otherFolders()) {
            say("otherFolders", ChangeWording.OTHER_FOLDERS.say(Facts.of(HOW, after.otherFolders())));
        }
    }

    private static List<Phrase> companion(Kit.Companion before, Kit.Companion after) {
        return List.of(ChangeWording.COMPANION.say(Facts.of(FOUND, after.name()).and(NEED, after.need())
                .and(HOW, after.managed() ? "managed" : "plain")
                .and(PURPOSE, Optional.of(after.purpose().strip()).filter(words -> !words.isEmpty()))));
    }

    private void starter(List<StarterFile> before, List<StarterFile> after) {
        Map<String, StarterFile> old = byKey(before, file -> file.path().text());
        Map<String, StarterFile> fresh = byKey(after, file -> file.path().text());
        fresh.forEach((path, file) -> {
            StarterFile was = old.get(path);
            if (was == null) {
                changes.add(new KitChange("starter", Kind.ADDED, path, ChangeWording.STARTER_NEW.say(Facts.of(FOUND, path))));
            } else if (!was.sha256().equals(file.sha256())) {
                changes.add(new KitChange("starter", Kind.CHANGED, path, ChangeWording.STARTER_CONTENT.say(Facts.of(FOUND, path))));
            }
            if (was != null && was.treat() != file.treat()) {
                changes.add(new KitChange("starter", Kind.CHANGED, path,
                        ChangeWording.STARTER_TREAT.say(Facts.of(FOUND, path).and(HOW, file.treat()))));
            }
        });
        old.keySet().stream().filter(path -> !fresh.containsKey(path)).forEach(
                path -> changes.add(new KitChange("starter", Kind.REMOVED, path, ChangeWording.STARTER_GONE.say(Facts.of(FOUND, path)))));
    }

    private void links(Kit.LinkPolicy before, Kit.LinkPolicy after) {
        grade("absolute", before.absolute(), after.absolute());
        grade("outside", before.outside(), after.outside());
        grade("missing", before.missing(), after.missing());
        grade("remote", before.remote(), after.remote());
        listed("links", before.custom(), after.custom(),
                rule -> rule.files() + " " + rule.pattern().or(rule::element).or(rule::pointer).orElse(""),
                (was, is) -> List.of(ChangeWording.LINK_RULE.say(Facts.of(FOUND, is.files()).and(HOW, is.fromRoot() ? "root" : "document")
                        .and(FORM, is.uri() ? "address" : "plain"))));
        listed("links", before.profiles(), after.profiles(), Profile::title,
                (was, is) -> List.of(ChangeWording.PROFILE.say(Facts.of(FOUND, is.title()))));
    }

    private void grade(String which, Optional<Kit.Grade> before, Optional<Kit.Grade> after) {
        if (!before.equals(after)) {
            say("links", ChangeWording.LINKS.say(Facts.of(HOW, which).and(SEVERITY, word(after)).and(WAS, word(before))));
        }
    }

    private static String word(Optional<Kit.Grade> grade) {
        return grade.map(Wording::word).orElse("usual");
    }

    private void rest(Kit before, Kit after) {
        sets("machines", OTHERS, ChangeWording.MACHINES_MORE, ChangeWording.MACHINES_LESS, before.machines(), after.machines());
        if (!before.limits().equals(after.limits())) {
            say("limits", ChangeWording.LIMITS.say(RuleParts.both(RuleParts.limits(before.limits()), RuleParts.limits(after.limits()))));
        }
        listed("steps", before.steps(), after.steps(), Kit.Step::title, (was, is) -> List.of(
                ChangeWording.STEP.say(Facts.of(FOUND, is.title()).and(OTHER, is.text()).and(HOW, is.confirm() ? "confirmed" : "plain"))));
        Set<Code> codes = new TreeSet<>(before.severities().keySet());
        codes.addAll(after.severities().keySet());
        codes.stream().filter(code -> !before.severity(code).equals(after.severity(code)))
                .forEach(code -> changes.add(new KitChange("severities", Kind.CHANGED, code.id(),
                        ChangeWording.SEVERITY_OF.say(Facts.of(CODE, code.id()).and(SEVERITY, severity(after.severity(code))).and(WAS,
                                severity(before.severity(code)))))));
        if (!before.points().equals(after.points())) {
            say("points", ChangeWording.POINTS.say(RuleParts.both(RuleParts.points(before.points()), RuleParts.points(after.points()))));
        }
    }

    private <T> void listed(String part, List<T> before, List<T> after, Function<T, String> key, BiFunction<T, T, List<Phrase>> said) {
        Map<String, T> old = byKey(before, key);
        Map<String, T> fresh = byKey(after, key);
        fresh.forEach((name, item) -> {
            if (!old.containsKey(name)) {
                changes.add(new KitChange(part, Kind.ADDED, name,
                        ChangeWording.NEW.say(Facts.of(FOUND, name).and(WHAT, RuleParts.about(item)))));
            } else if (!Objects.equals(old.get(name), item)) {
                said.apply(old.get(name), item).forEach(what -> changes.add(new KitChange(part, Kind.CHANGED, name, what)));
            }
        });
        old.keySet().stream().filter(name -> !fresh.containsKey(name))
                .forEach(name -> changes.add(new KitChange(part, Kind.REMOVED, name, ChangeWording.GONE.say(Facts.of(FOUND, name)))));
    }

    private static <T> Map<String, T> byKey(List<T> items, Function<T, String> key) {
        Map<String, T> out = new LinkedHashMap<>();
        items.forEach(item -> out.put(key.apply(item), item));
        return out;
    }

    private void sets(String part, FactName fact, ChangeWording more, ChangeWording less, List<String> before, List<String> after) {
        Change.set(fact, more, less).say(Facts.NONE, before, after).forEach(what -> say(part, what));
    }

    private static String severity(Optional<Severity> severity) {
        return severity.map(Severity::word).orElse("off");
    }

    private void say(String part, Phrase what) {
        changes.add(new KitChange(part, Kind.CHANGED, "", what));
    }
}
