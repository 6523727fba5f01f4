package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.AFTER;
import static org.opensatchel.base.fact.FactName.ALLOWED;
import static org.opensatchel.base.fact.FactName.BEFORE;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LEAST;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PLACES;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit.Companion;
import org.opensatchel.core.kit.Kit.DocumentRule;
import org.opensatchel.core.kit.Kit.FileRule;
import org.opensatchel.core.kit.Kit.Limits;
import org.opensatchel.core.kit.Kit.RootFile;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.kit.Kit.Step;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;

/** The objects of the kit document, field by field, in the order in which they are written. */
final class KitShapes {

    static final Shape<NameRules> NAMES = Shape.of(NameRules.class,
            Field.of("spaces", NameRules::spaces, FieldTypes.either("allow", "forbid", true), Change.flag(ChangeWording.SPACES)),
            Field.of("letters", NameRules::letters, FieldTypes.word(NameRules.Letters.values(), NameRules.Letters.ANY),
                    Change.now(ChangeWording.LETTERS, HOW)),
            Field.of("maxLength", NameRules::maxLength, FieldTypes.count(1),
                    Change.one(ChangeWording.NAME_LENGTH, (before, after) -> Facts.of(MOST, after).and(COUNT, before))),
            Field.of("portable", NameRules::portable, FieldTypes.saidFlag(true), Change.flag(ChangeWording.PORTABLE)),
            Field.of("ascii", NameRules::ascii, FieldTypes.saidFlag(false),
                    (name, before, after) -> Change.flag(ChangeWording.ACCENTS).say(name, !before, !after)),
            Field.of("avoid", NameRules::avoid, FieldTypes.texts(),
                    Change.set(TYPES, ChangeWording.AVOIDS, ChangeWording.AVOIDS_NO_LONGER)),
            Field.of("avoidWholeWords", NameRules::wholeWords, FieldTypes.flag(), Change.flag(ChangeWording.WHOLE_WORDS)).as("wholeWords"));

    static final Shape<FolderRule> FOLDER = Shape.of(FolderRule.class,
            Field.of("path", FolderRule::path, FieldTypes.folder()),
            Field.of("purpose", FolderRule::purpose, FieldTypes.text(),
                    Change.one(ChangeWording.MEANT_FOR, (before, after) -> Facts.of(PURPOSE, Change.given(after)))),
            Field.of("need", FolderRule::need, FieldTypes.word(Need.values(), Need.REQUIRED), Change.need()),
            Field.of("accepts", FolderRule::accepts, FieldTypes.someTypes(), Change.types()),
            Field.of("atLeast", FolderRule::atLeast, FieldTypes.count(0),
                    Change.one(ChangeWording.AT_LEAST, (before, after) -> Facts.of(LEAST, after).and(COUNT, before))),
            Field.of("sealed", FolderRule::sealed, FieldTypes.flag(), Change.flag("sealed")),
            Field.of("managed", FolderRule::managed, FieldTypes.flag(), Change.flag("managed")),
            Field.of("autosave", FolderRule::autosave, FieldTypes.flag(), Change.flag("autosave")),
            Field.of("rebuildable", FolderRule::rebuildable, FieldTypes.flag(), Change.flag("rebuildable")),
            Field.of("repeats", FolderRule::repeats, FieldTypes.numberWithin("atLeast", 0),
                    Change.one(ChangeWording.REPEATS, (before, after) -> Facts.of(LEAST, after.orElse(0)))),
            Field.of("media", FolderRule::media, media(), Change.media()))
            .beside(KitDemands.AT_MOST, KitDemands.COUNTS, KitDemands.NUMBERED, KitDemands.EACH);

    static final Shape<Companion> COMPANION = Shape.of(Companion.class,
            Field.of("name", Companion::name, FieldTypes.needed("^(?!\\.{1,2}$)(?=.*\\S)[^/\\\\]+$", KitShapes::companionName)),
            Field.of("purpose", Companion::purpose, FieldTypes.text()),
            Field.of("need", Companion::need, FieldTypes.word(Need.values(), Need.OPTIONAL)),
            Field.of("managed", Companion::managed, FieldTypes.saidFlag(false)));

    static final Shape<DocumentRule> DOCUMENT = Shape.of(DocumentRule.class,
            Field.of("role", DocumentRule::role, FieldTypes.needed()),
            Field.of("in", DocumentRule::in, FieldTypes.place(), placed()),
            Field.of("name", DocumentRule::name, FieldTypes.name(), named()),
            Field.of("types", DocumentRule::types, FieldTypes.types(), Change.types()),
            Field.of("need", DocumentRule::need, FieldTypes.word(Need.values(), Need.REQUIRED), Change.need()),
            Field.of("versions", DocumentRule::versions, FieldTypes.count(0),
                    Change.one(ChangeWording.VERSIONS, (before, after) -> Facts.of(LEAST, after).and(COUNT, before))),
            Field.of("maxLength", DocumentRule::maxLength, FieldTypes.count(1), Change.now(ChangeWording.LENGTH_OF, MOST)),
            like(DocumentRule::namedLike), Field.of("either", DocumentRule::either, FieldTypes.maybe(), either()),
            Field.of("media", DocumentRule::media, media(), Change.media()),
            Field.of("timeline", DocumentRule::timeline, FieldTypes.maybe(TimelineShape.TIMELINE, "timeline", rule -> false)))
            .checked((object, rule, in) -> rule.namedLike().ifPresent(other -> in.like(object, rule.role(), other)))
            .beside(KitDemands.LINKS);

    static final Shape<FileRule> FILE = Shape.of(FileRule.class,
            Field.of("role", FileRule::role, FieldTypes.needed()),
            Field.of("in", FileRule::in, FieldTypes.place(), placed()),
            Field.of("name", FileRule::name, FieldTypes.name(), named()),
            Field.of("types", FileRule::types, FieldTypes.types(), Change.types()),
            Field.of("need", FileRule::need, FieldTypes.word(Need.values(), Need.REQUIRED), Change.need()),
            Field.of("media", FileRule::media, media(), Change.media()),
            like(FileRule::namedLike), Field.of("either", FileRule::either, FieldTypes.maybe(), either()))
            .checked((object, rule, in) -> rule.namedLike().ifPresent(other -> in.like(object, rule.role(), other)));

    static final Shape<RootFile> ROOT_FILE = Shape.of(RootFile.class,
            Field.of("name", RootFile::name, FieldTypes.name()),
            Field.of("types", RootFile::types, FieldTypes.types(), Change.types()));

    static final Shape<StarterFile> STARTER = Shape.of(StarterFile.class,
            Field.of("path", StarterFile::path, FieldTypes.file()),
            Field.of("sha256", StarterFile::sha256, FieldTypes.hash()),
            Field.of("bytes", StarterFile::bytes, FieldTypes.length()),
            Field.of("treat", StarterFile::treat, FieldTypes.word(StarterFile.Treat.values(), StarterFile.Treat.KEEP),
                    Change.now(ChangeWording.STARTER_TREAT, HOW)));

    static final Shape<LocationPolicy> LOCATION = Shape.of(LocationPolicy.class,
            Field.of("storage", LocationPolicy::storage, FieldTypes.someWords(StorageKind.values()), (name, before, after) -> Change
                    .set(ALLOWED, ChangeWording.STORAGE_MORE, ChangeWording.STORAGE_LESS).say(name, words(before), words(after))),
            Field.of("avoid", LocationPolicy::avoid, FieldTypes.someWords(LocationPolicy.Avoided.values()), (name, before, after) -> Change
                    .set(PLACES, ChangeWording.PLACES_MORE, ChangeWording.PLACES_LESS).say(name, words(before), words(after))),
            Field.of("maxRootLength", LocationPolicy::maxRootLength, FieldTypes.count(1), Change.now(ChangeWording.ROOT_LENGTH, MOST)));

    static final Shape<Limits> LIMITS = Shape.of(Limits.class,
            Field.of("totalBytes", Limits::totalBytes, FieldTypes.size()),
            Field.of("fileBytes", Limits::fileBytes, FieldTypes.size())).beside(KitDemands.SIZES);

    static final Shape<Step> STEP = Shape.of(Step.class,
            Field.of("title", Step::title, FieldTypes.needed()),
            Field.of("text", Step::text, FieldTypes.text()),
            Field.of("confirm", Step::confirm, FieldTypes.saidFlag(false)),
            Field.of("picture", Step::picture, FieldTypes.maybeFile()));

    private KitShapes() {
    }

    /** A brief that asks for nothing is none. */
    private static FieldType<Optional<MediaRule>> media() {
        return FieldTypes.maybe(MediaShape.MEDIA, "media", MediaRule::isNone);
    }

    private static Change<ProjectPath> placed() {
        return Change.one(ChangeWording.BELONGS_IN,
                (before, after) -> Facts.of(AFTER, Change.given(after.text())).and(BEFORE, Change.given(before.text())));
    }

    private static Change<NamePattern> named() {
        return Change.one(ChangeWording.NAMED, (before, after) -> Facts.of(AFTER, after.text()).and(BEFORE, before.text()));
    }

    private static <R> Field<R, Optional<String>> like(Function<R, Optional<String>> of) {
        return Field.of("namedLike", of, FieldTypes.maybe(), Change.now(ChangeWording.NAMED_LIKE, OTHER));
    }

    private static Change<Optional<String>> either() {
        return Change.now(ChangeWording.EITHER, OTHER);
    }

    private static List<String> words(List<? extends Enum<?>> values) {
        return values.stream().map(value -> Wording.word(value)).toList();
    }

    private static void companionName(FieldTypes.Given given, KitContext in) {
        String name = given.text();
        if (given.isThere() && (name.isBlank() || name.equals(".")) && !in.isPublished()) {
            given.object().fault(given.key(), KitWording.COMPANION_NO_NAME.say(Facts.of(FOUND, name)));
        }
        if (name.contains("/") || name.contains("\\") || name.equals("..")) {
            given.fault(KitWording.COMPANION_SLASH);
        }
    }
}
