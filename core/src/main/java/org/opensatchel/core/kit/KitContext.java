package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.PATTERN;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit.DocumentRule;
import org.opensatchel.core.kit.Kit.FileRule;
import org.opensatchel.core.naming.NamePattern;

/** One reading of a kit document: by which rules, and what its objects ask for that is kept beside them. */
final class KitContext {

    private static final Pattern DRIVE = Pattern.compile("[A-Za-z]:");
    /** As deep as a project is read. */
    private static final int DEEPEST = 100;

    private final boolean published;
    private final List<Demand> demands = new ArrayList<>();
    private final List<Like> likes = new ArrayList<>();
    private final List<DocumentRule> documentsOfEach = new ArrayList<>();
    private final List<FileRule> filesOfEach = new ArrayList<>();
    private Optional<ProjectPath> place = Optional.empty();

    /** @param published whether it went out already: then what is told of kits only since is let be */
    KitContext(boolean published) {
        this.published = published;
    }

    /** What is to be named like something else. */
    record Like(StrictObject object, String role, String other) {}

    boolean isPublished() {
        return published;
    }

    void demand(Demand demand) {
        demands.add(demand);
    }

    List<Demand> demands() {
        return demands;
    }

    void like(StrictObject object, String role, String other) {
        likes.add(new Like(object, role, other));
    }

    List<Like> likes() {
        return likes;
    }

    /** The folder that documents and files stand with, where they are read as what each of them has to hold. */
    Optional<ProjectPath> place() {
        return place;
    }

    /** What every folder of a pattern has to hold; told with the folder, and a rule like any other. */
    void each(ProjectPath folder, StrictObject each) {
        place = Optional.of(folder);
        documentsOfEach.addAll(each.objects("documents", one -> KitShapes.DOCUMENT.read(one, this)));
        filesOfEach.addAll(each.objects("files", one -> KitShapes.FILE.read(one, this)));
        place = Optional.empty();
    }

    List<DocumentRule> documentsOfEach() {
        return documentsOfEach;
    }

    List<FileRule> filesOfEach() {
        return filesOfEach;
    }

    /** A pattern for one name. */
    NamePattern pattern(StrictObject object, String key) {
        String text = object.requiredText(key);
        if (object.has(key) && text.isBlank()) {
            object.fault(key, KitWording.EMPTY.say(Facts.of(KEY, key)));
            return NamePattern.of("name");
        }
        return name(object, key, text).orElseGet(() -> NamePattern.of("name"));
    }

    /** A pattern for a name; empty where it is none, which is told. */
    static Optional<NamePattern> name(StrictObject object, String key, String text) {
        NamePattern.Reading reading = NamePattern.read(text);
        reading.fault().ifPresent(fault -> object.fault(key, wrong(fault.at(), text, fault.what())));
        return reading.pattern();
    }

    /** A folder's path, or a pattern for it. */
    FolderPattern folder(StrictObject object, String key, String text) {
        Optional<Phrase> wrong = wrongPath(text);
        if (wrong.isPresent()) {
            object.fault(key, wrong.get());
            return FolderPattern.of("folder");
        }
        return new FolderPattern(text, patterns(object, key, text));
    }

    /** The patterns of a path, one for each name; a name that is none is told. */
    List<NamePattern> patterns(StrictObject object, String key, String text) {
        List<NamePattern> names = new ArrayList<>();
        int before = 0;
        for (String name : text.split("/", -1)) {
            NamePattern.Reading reading = NamePattern.read(name);
            int start = before;
            reading.fault().ifPresent(fault -> object.fault(key, wrong(start + fault.at(), text, fault.what())));
            reading.pattern().ifPresent(names::add);
            before += name.codePointCount(0, name.length()) + 1;
        }
        return names;
    }

    private static Phrase wrong(int at, String text, Phrase what) {
        return KitWording.PATTERN_AT.say(Facts.of(NUMBER, at + 1).and(PATTERN, text).and(FAULT, what));
    }

    /** Why something cannot be a path in a project; empty when it can. */
    Optional<Phrase> wrongPath(String path) {
        if (path.isBlank()) {
            return Optional.of(KitWording.PATH_EMPTY.say());
        }
        if (path.indexOf('\\') >= 0) {
            return Optional.of(KitWording.PATH_BACKSLASH.say(Facts.of(FOUND, path)));
        }
        if (!published && path.chars().filter(c -> c == '/').count() >= DEEPEST) {
            return Optional.of(KitWording.PATH_DEEP.say(Facts.of(MOST, DEEPEST)));
        }
        if (!published && DRIVE.matcher(path).lookingAt()) {
            return Optional.of(KitWording.PATH_DRIVE.say(Facts.of(FOUND, path)));
        }
        for (String name : path.split("/", -1)) {
            if (name.isBlank() || name.equals(".") || name.equals("..")) {
                return Optional.of(KitWording.PATH_OUTSIDE.say(Facts.of(FOUND, path)));
            }
        }
        return Optional.empty();
    }
}
