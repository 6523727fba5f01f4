package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.DETAIL;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.MOST;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.JsonWording;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.base.path.PatternSize;
import org.opensatchel.core.kit.Kit.Grade;
import org.opensatchel.core.kit.Kit.LinkPolicy;
import org.opensatchel.formats.described.CustomLinkRule;
import org.opensatchel.formats.described.Profile;
import org.opensatchel.formats.described.ProfileReader;
import org.opensatchel.formats.described.ProfileReading;
import org.opensatchel.formats.described.ProfileWriter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** How links are judged, in the kit document, and the rules for files of no known format. */
final class LinksShape {

    /** Longest pattern of a custom rule; with the engine's linear time this bounds what one rule can cost. */
    private static final int MAX_PATTERN = 1_000;
    /** Most steps of its program: a repeat inside a repeat multiplies, and a few signs would fill any memory. */
    private static final int MAX_SIZE = 5_000;
    private static final Pattern SHA256 = Pattern.compile("[0-9a-f]{64}");

    static final Shape<CustomLinkRule> CUSTOM = Shape.of(CustomLinkRule.class,
            Field.of("files", CustomLinkRule::files, FieldTypes.needed("\\S", (given, in) -> {
                if (given.isThere() && given.text().isBlank()) {
                    given.fault(KitWording.LINK_FILES);
                }
            })),
            Field.of("pattern", CustomLinkRule::pattern, FieldTypes.maybe()),
            Field.of("element", CustomLinkRule::element, FieldTypes.maybe()),
            Field.of("pointer", CustomLinkRule::pointer, FieldTypes.maybe()),
            Field.of("base", CustomLinkRule::fromRoot, FieldTypes.either("root", "document", false)).as("fromRoot"),
            Field.of("uri", CustomLinkRule::uri, FieldTypes.saidFlag(false))).checked(LinksShape::finds);

    private static final Field<LinkPolicy, Optional<Grade>> ABSOLUTE = grade("absolute", LinkPolicy::absolute);
    private static final Field<LinkPolicy, Optional<Grade>> OUTSIDE = grade("outside", LinkPolicy::outside);
    private static final Field<LinkPolicy, Optional<Grade>> MISSING = grade("missing", LinkPolicy::missing);
    private static final Field<LinkPolicy, Optional<Grade>> REMOTE = grade("remote", LinkPolicy::remote);
    private static final Field<LinkPolicy, List<CustomLinkRule>> RULES = Field.of("custom", LinkPolicy::custom, new CustomRules());
    private static final Field<LinkPolicy, Profiles> PROFILES = Field.of("profiles",
            policy -> new Profiles(policy.profiles(), policy.named()), new SomeProfiles());

    static final Shape<LinkPolicy> LINKS = Shape.of(
            values -> new LinkPolicy(values.of(ABSOLUTE), values.of(OUTSIDE), values.of(MISSING), values.of(REMOTE), values.of(RULES),
                    values.of(PROFILES).whole, values.of(PROFILES).named),
            ABSOLUTE, OUTSIDE, MISSING, REMOTE, RULES, PROFILES);

    private LinksShape() {
    }

    private static Field<LinkPolicy, Optional<Grade>> grade(String key, Function<LinkPolicy, Optional<Grade>> of) {
        return Field.of(key, of, FieldTypes.maybeWord(Grade.values()));
    }

    /** Custom rules. One of a kit that went out already, and whose pattern would take all memory, is left out. */
    private static final class CustomRules implements FieldType<List<CustomLinkRule>> {
        @Override
        public List<CustomLinkRule> read(StrictObject object, String key, KitContext in) {
            return object.objects(key, rule -> CUSTOM.read(rule, in)).stream()
                    .filter(rule -> rule.pattern().filter(LinksShape::isTooLarge).isEmpty()).toList();
        }

        @Override
        public void write(ObjectNode out, String key, List<CustomLinkRule> rules) {
            ArrayNode list = out.putArray(key);
            rules.forEach(rule -> CUSTOM.write(list.addObject(), rule));
        }

        @Override
        public ObjectNode schema() {
            ObjectNode rule = CUSTOM.schema();
            ArrayNode ways = rule.putArray("oneOf");
            Stream.of("pattern", "element", "pointer").forEach(way -> Schemas.texts(ways.addObject().putArray("required"), List.of(way)));
            return Schemas.list(rule);
        }
    }

    /** Profiles: those that stand in the kit, and those that are named by the SHA-256 of their documents. */
    private record Profiles(List<Profile> whole, List<String> named) {}

    private static final class SomeProfiles implements FieldType<Profiles> {
        @Override
        public Profiles read(StrictObject object, String key, KitContext in) {
            Profiles out = new Profiles(new ArrayList<>(), new ArrayList<>());
            object.node(key).ifPresent(list -> {
                if (!list.isArray()) {
                    object.fault(key, JsonWording.NO_LIST.say(Facts.of(KEY, key)));
                }
                for (int i = 0; list.isArray() && i < list.size(); i++) {
                    read(object, key + "/" + i, list.get(i), out);
                }
            });
            return out;
        }

        /** What is wrong with one is told at its place. */
        private static void read(StrictObject object, String at, JsonNode profile, Profiles out) {
            if (profile.isString()) {
                out.named.add(profile.stringValue());
                if (!SHA256.matcher(profile.stringValue()).matches()) {
                    object.faultAt(at, KitWording.PROFILE_HASH.say());
                }
            } else {
                ProfileReading reading = ProfileReader.read(profile);
                reading.faults().forEach(fault -> object.faultAt(at + fault.at(), fault.what()));
                reading.profile().ifPresent(out.whole::add);
            }
        }

        @Override
        public void write(ObjectNode out, String key, Profiles profiles) {
            if (!profiles.whole.isEmpty() || !profiles.named.isEmpty()) {
                ArrayNode list = out.putArray(key);
                profiles.whole.forEach(profile -> list.add(ProfileWriter.document(profile)));
                profiles.named.forEach(list::add);
            }
        }

        @Override
        public ObjectNode schema() {
            ObjectNode whole = Schemas.type("object");
            whole.putObject("properties").putObject("profile").put("const", 1);
            Schemas.texts(whole.putArray("required"), List.of("profile", "content", "slots"));
            return Schemas.list(Schemas.anyOf(whole, Schemas.type("string").put("pattern", "^" + SHA256.pattern() + "$")));
        }
    }

    private static void finds(StrictObject object, CustomLinkRule rule, KitContext in) {
        if (Stream.of(rule.pattern(), rule.element(), rule.pointer()).filter(Optional::isPresent).count() != 1) {
            object.fault(KitWording.LINK_KINDS.say());
        }
        rule.pattern().ifPresent(text -> pattern(object, text, in));
        rule.element().filter(text -> !text.startsWith("/")).ifPresent(text -> object.fault("element", KitWording.LINK_ELEMENT.say()));
        rule.pointer().filter(text -> !text.startsWith("/")).ifPresent(text -> object.fault("pointer", KitWording.LINK_POINTER.say()));
    }

    private static boolean isTooLarge(String pattern) {
        return pattern.length() > MAX_PATTERN || PatternSize.of(pattern) > MAX_SIZE;
    }

    private static void pattern(StrictObject rule, String text, KitContext in) {
        if (isTooLarge(text)) {
            if (!in.isPublished()) {
                rule.fault("pattern", KitWording.LINK_PATTERN_LARGE.say(Facts.of(MOST, MAX_PATTERN).and(COUNT, MAX_SIZE)));
            }
            return;
        }
        try {
            if (!Pattern.compile(text).namedGroups().containsKey("link")) {
                rule.fault("pattern", KitWording.LINK_PATTERN_GROUP.say());
            }
        } catch (PatternSyntaxException broken) {
            rule.fault("pattern", KitWording.LINK_PATTERN
                    .say(Facts.of(DETAIL, broken.getDescription() + (broken.getPattern() == null ? "" : " " + broken.getPattern()))));
        }
    }
}
