package org.opensatchel.formats.described;

import static org.opensatchel.base.fact.FactName.DETAIL;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;

import com.google.re2j.Pattern;
import com.google.re2j.PatternSyntaxException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.base.json.JsonTwins;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.base.path.PatternSize;
import org.opensatchel.base.text.Shortened;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Reads a profile's document, strictly: docs/formats.md and docs/schema/profile.schema.json. */
public final class ProfileReader {

    private static final int MOST_FAULTS = 50;
    private static final int MOST_SLOTS = 500;
    private static final int MOST_KINDS = 20;
    private static final int MOST_STEPS = 100;
    private static final int LONGEST = 1_000;
    private static final int MOST_KNOWN = 5_000;
    private static final int MOST_CONDITIONS = 8;
    private static final int MOST_TEXTS = 100;
    private static final int MAX_SIZE = 5_000;

    private final List<JsonFault> faults = new ArrayList<>();

    private ProfileReader() {
    }

    /** @param json the document's bytes, in UTF-8 */
    public static ProfileReading read(byte[] json) {
        if (json.length > Profile.MAX_BYTES) {
            return refused(new JsonFault("", ProfileWording.TOO_LARGE.say(Facts.of(MOST_BYTES, Profile.MAX_BYTES))));
        }
        try {
            Optional<JsonFault> twin = JsonTwins.first(json);
            return twin.isPresent() ? refused(twin.get()) : read(JsonDocuments.MAPPER.readTree(json));
        } catch (JacksonException broken) {
            return refused(JsonDocuments.fault(broken));
        }
    }

    /** The same for one that stands in another document. */
    public static ProfileReading read(JsonNode json) {
        ProfileReader reader = new ProfileReader();
        StrictObject document = new StrictObject(json, "", reader.faults);
        if (!json.isObject()) {
            return new ProfileReading(Optional.empty(), reader.faults);
        }
        Profile profile = reader.profile(document);
        document.close();
        return new ProfileReading(reader.faults.isEmpty() ? Optional.of(profile) : Optional.empty(),
                reader.faults.subList(0, Math.min(MOST_FAULTS, reader.faults.size())));
    }

    private static ProfileReading refused(JsonFault fault) {
        return new ProfileReading(Optional.empty(), List.of(fault));
    }

    private Profile profile(StrictObject document) {
        if (document.node("profile").filter(JsonNode::isIntegralNumber).map(JsonNode::longValue).orElse(0L) != Profile.VERSION) {
            document.fault("profile", ProfileWording.NO_PROFILE.say());
        }
        String title = text(document, "title").orElse("");
        List<Kind> kinds = new ArrayList<>();
        kinds.add(kind(document));
        kinds.addAll(document.objects("beside", this::kind));
        if (kinds.size() > MOST_KINDS) {
            document.fault("beside", many("beside", MOST_KINDS));
        }
        return new Profile(title, kinds);
    }

    private static org.opensatchel.base.fact.Phrase many(String key, int most) {
        return ProfileWording.TOO_MANY.say(Facts.of(KEY, key).and(MOST, most));
    }

    private Kind kind(StrictObject object) {
        String files = text(object, "files").filter(text -> !text.isBlank()).orElse("**");
        Content content = content(object);
        List<Wrap> unwrap = object.texts("unwrap").stream().flatMap(text -> wrap(object, text).stream()).toList();
        if (unwrap.size() > 6) {
            object.fault("unwrap", many("unwrap", 6));
        }
        Kind.Begins begins = object.object("begins").map(this::begins).orElse(Kind.Begins.NOTHING);
        List<Slot> slots = slots(object, "slots", content);
        List<Slot> undecided = slots(object, "undecided", content);
        if (slots.stream().noneMatch(slot -> slot.role() == Slot.Role.LINK)) {
            object.fault("slots", ProfileWording.NO_LINKS.say());
        }
        boolean absolute = object.choice("writes", Map.of("absolute", true, "any", false), false);
        List<String> known = object.texts("known");
        if (known.size() > MOST_KNOWN) {
            object.fault("known", many("known", MOST_KNOWN));
        }
        return new Kind(files, begins, unwrap, content, slots, undecided, absolute, new TreeSet<>(known));
    }

    private Content content(StrictObject object) {
        String word = object.requiredText("content");
        Optional<Content> content = Content.of(word);
        if (content.isEmpty()) {
            object.fault("content", ProfileWording.NO_CONTENT.say(Facts.of(FOUND, word)));
        }
        return content.orElse(Content.TEXT);
    }

    private Optional<Wrap> wrap(StrictObject object, String text) {
        Optional<Wrap> wrap = Wrap.of(text);
        if (wrap.isEmpty()) {
            object.fault("unwrap", ProfileWording.NO_WRAP.say(Facts.of(FOUND, shown(text))));
        }
        return wrap;
    }

    private Kind.Begins begins(StrictObject object) {
        String bytes = text(object, "bytes").orElse("");
        mark(object, "bytes", bytes);
        List<String> keys = object.texts("keys");
        if (keys.size() > MOST_TEXTS) {
            object.fault("keys", many("keys", MOST_TEXTS));
        }
        Kind.Begins begins = new Kind.Begins(bytes, text(object, "root").orElse(""), keys, text(object, "line").orElse(""));
        object.close();
        return begins;
    }

    private static void mark(StrictObject object, String key, String bytes) {
        if (!bytes.matches("(?:[0-9a-f]{2}|\\?\\?){0,64}")) {
            object.fault(key, ProfileWording.NO_MARK.say());
        }
    }

    private List<Slot> slots(StrictObject object, String key, Content content) {
        List<Slot> slots = object.objects(key, slot -> slot(slot, content));
        if (slots.size() > MOST_SLOTS) {
            object.fault(key, many(key, MOST_SLOTS));
        }
        Map<String, Slot> byId = new HashMap<>();
        for (Slot slot : slots) {
            if (byId.put(slot.id(), slot) != null) {
                object.fault(key, ProfileWording.SAME_ID.say(Facts.of(FOUND, shown(slot.id()))));
            }
        }
        slots.stream().flatMap(ProfileReader::named).filter(id -> !byId.containsKey(id) && key.equals("slots"))
                .forEach(id -> object.fault(key, ProfileWording.NO_SLOT.say(Facts.of(FOUND, shown(id)))));
        return slots;
    }

    /** The slots that one refers to. */
    private static Stream<String> named(Slot slot) {
        Stream<Slot.Start> starts = Stream.concat(Stream.of(slot.starts()), slot.prefixes().stream().map(Slot.Prefix::starts));
        return Stream.concat(slot.of().stream(),
                starts.filter(Slot.Start.Base.class::isInstance).map(start -> ((Slot.Start.Base) start).slot()));
    }

    private Slot slot(StrictObject object, Content content) {
        String id = object.requiredText("id");
        Where where = where(object, content);
        Slot.Role role = object.choice("role", words(Slot.Role.values()), Slot.Role.LINK);
        Optional<String> of = text(object, "of");
        boolean needs = role == Slot.Role.SAME || role == Slot.Role.FOLDER;
        if (needs && of.isEmpty()) {
            object.fault("of", ProfileWording.NO_SLOT.say(Facts.of(FOUND, "")));
        }
        return new Slot(id, where, role, object.object("when").map(this::conditions).orElseGet(TreeMap::new), object.flag("base64", false),
                object.flag("escapes", false), object.choice("writing", words(Slot.Writing.values()), Slot.Writing.PLAIN),
                object.flag("backslashes", false), of, object.integer("within", 0, 0), start(object),
                object.objects("prefixes", prefix -> new Slot.Prefix(prefix.requiredText("text"), start(prefix))),
                text(object, "numbers").filter(mark -> !mark.isEmpty()), nothing(object), object.flag("empty", false),
                object.flag("always", false),
                object.object("evidence").map(ProfileReader::evidence).orElse(Slot.Evidence.NONE));
    }

    private static SortedSet<String> nothing(StrictObject object) {
        List<String> words = object.texts("nothing");
        if (words.size() > MOST_TEXTS) {
            object.fault("nothing", many("nothing", MOST_TEXTS));
        }
        return new TreeSet<>(words);
    }

    private static Slot.Evidence evidence(StrictObject object) {
        Slot.Evidence evidence = new Slot.Evidence(object.integer("values", 0, 0), object.integer("leading", 0, 0),
                object.integer("same", 0, 0));
        object.close();
        return evidence;
    }

    private SortedMap<String, SortedSet<String>> conditions(StrictObject object) {
        SortedMap<String, SortedSet<String>> out = new TreeMap<>();
        for (String key : object.keys()) {
            List<String> texts = object.texts(key);
            if (texts.size() > MOST_TEXTS) {
                object.fault(key, many(key, MOST_TEXTS));
            }
            out.put(key, new TreeSet<>(texts));
        }
        if (out.size() > MOST_CONDITIONS) {
            object.fault(many("when", MOST_CONDITIONS));
        }
        return out;
    }

    private Slot.Start start(StrictObject object) {
        Optional<JsonNode> starts = object.node("starts");
        if (starts.isEmpty()) {
            return new Slot.Start.Document();
        }
        if (starts.get().isString()) {
            switch (starts.get().stringValue()) {
                case "document" -> {
                    return new Slot.Start.Document();
                }
                case "root" -> {
                    return new Slot.Start.Root();
                }
                case "anywhere" -> {
                    return new Slot.Start.Anywhere();
                }
                default -> {
                    // Told with whatever else it may be.
                }
            }
        } else if (starts.get().isObject()) {
            StrictObject one = new StrictObject(starts.get(), object.pointer("starts"), faults);
            Optional<String> folder = text(one, "folder");
            Optional<String> slot = text(one, "slot");
            int within = one.integer("within", 0, 0);
            one.close();
            if (folder.isPresent() != slot.isPresent()) {
                return folder.isPresent() ? new Slot.Start.Folder(folder.get()) : new Slot.Start.Base(slot.get(), within);
            }
        }
        object.fault("starts", ProfileWording.NO_START.say());
        return new Slot.Start.Document();
    }

    private Where where(StrictObject object, Content content) {
        Optional<String> at = text(object, "at");
        Optional<StrictObject> line = object.object("line");
        Optional<String> pattern = text(object, "pattern");
        Optional<StrictObject> bytes = object.object("bytes");
        if (Stream.of(at.isPresent(), line.isPresent(), pattern.isPresent(), bytes.isPresent()).filter(there -> there).count() != 1) {
            object.fault(ProfileWording.ONE_PLACE.say());
            return new Where.InTree(List.of("x"));
        }
        boolean fits = at.isPresent() ? content.isTree() : bytes.isPresent() == (content == Content.BYTES) && !content.isTree();
        if (!fits) {
            object.fault(ProfileWording.OTHER_CONTENT.say());
        }
        return at.map(text -> tree(object, text)).or(() -> line.map(this::line)).or(() -> pattern.map(text -> pattern(object, text)))
                .orElseGet(() -> bytes(bytes.orElseThrow()));
    }

    private static Where tree(StrictObject object, String at) {
        if (!at.startsWith("/") || at.length() < 2) {
            object.fault("at", ProfileWording.NO_PATH.say());
            return new Where.InTree(List.of("x"));
        }
        List<String> steps = Arrays.stream(at.substring(1).split("/", -1)).map(step -> step.replace("~1", "/").replace("~0", "~")).toList();
        if (steps.size() > MOST_STEPS) {
            object.fault("at", many("at", MOST_STEPS));
        }
        return new Where.InTree(steps);
    }

    private Where line(StrictObject object) {
        String value = object.requiredText("value");
        Optional<Where.Part> part = Where.Part.of(value);
        if (part.isEmpty()) {
            object.fault("value", ProfileWording.NO_PART.say(Facts.of(FOUND, shown(value))));
        }
        Where where = new Where.InLine(text(object, "section").orElse(Where.ANY), text(object, "begins").orElse(Where.ANY),
                part.orElse(new Where.Part(Where.Part.Kind.WHOLE, 0, "")));
        object.close();
        return where;
    }

    private static Where pattern(StrictObject object, String text) {
        try {
            if (PatternSize.of(text) > MAX_SIZE) {
                object.fault("pattern", ProfileWording.PATTERN_LARGE.say(Facts.of(MOST, MAX_SIZE)));
            } else if (!Pattern.compile(text).namedGroups().containsKey("link")) {
                object.fault("pattern", ProfileWording.PATTERN_GROUP.say());
            }
        } catch (PatternSyntaxException broken) {
            object.fault("pattern", ProfileWording.PATTERN.say(Facts.of(DETAIL, broken.getDescription())));
        }
        return new Where.Matched(text);
    }

    private Where bytes(StrictObject object) {
        String before = text(object, "before").orElse("");
        mark(object, "before", before);
        String length = object.requiredText("length");
        Optional<Extent> extent = Extent.of(length);
        if (extent.isEmpty()) {
            object.fault("length", ProfileWording.NO_LENGTH.say(Facts.of(FOUND, shown(length))));
        }
        String word = text(object, "text").orElse(Chars.UTF_8.word());
        Optional<Chars> chars = Chars.of(word);
        if (chars.isEmpty()) {
            object.fault("text", ProfileWording.NO_CHARS.say(Facts.of(FOUND, shown(word))));
        }
        object.close();
        return new Where.InBytes(before, extent.orElse(new Extent(Extent.Field.ZERO, false, false)), chars.orElse(Chars.UTF_8));
    }

    /** A text of a bounded length. */
    private Optional<String> text(StrictObject object, String key) {
        Optional<String> text = object.text(key);
        if (text.filter(one -> one.length() > LONGEST).isPresent()) {
            object.fault(key, ProfileWording.TOO_LONG.say(Facts.of(KEY, key).and(MOST, LONGEST)));
            return Optional.of("");
        }
        return text;
    }

    private static String shown(String text) {
        return Shortened.end(text, 60);
    }

    static <E extends Enum<E>> Map<String, E> words(E[] values) {
        return Arrays.stream(values).collect(Collectors.toMap(ProfileReader::word, Function.identity(), (a, b) -> a, TreeMap::new));
    }

    static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT);
    }
}
