package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.CODE_POINT;
import static org.opensatchel.base.fact.FactName.FAULT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OTHERS;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.base.json.JsonTwins;
import org.opensatchel.base.json.JsonWording;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Family;
import org.opensatchel.core.finding.Severity;
import org.opensatchel.core.kit.Kit.Companion;
import org.opensatchel.core.kit.Kit.DocumentRule;
import org.opensatchel.core.kit.Kit.FileRule;
import org.opensatchel.core.kit.Kit.Grade;
import org.opensatchel.core.kit.Kit.Limits;
import org.opensatchel.core.kit.Kit.OtherFolders;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.kit.Kit.Step;
import org.opensatchel.core.location.LocationPolicy;
import org.opensatchel.core.location.LocationPolicy.Avoided;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.location.StorageKind;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;
import org.opensatchel.core.naming.ProxyName;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Reads version 1 of the kit document (docs/schema/kit.schema.json) and tells every fault with its place. */
public final class KitReader {

    /** Largest kit document, in bytes. */
    public static final int MAX_BYTES = 16 << 20;

    private static final int MAX_FAULTS = 50;
    private static final Pattern SHA256 = Pattern.compile("[0-9a-f]{64}");
    private static final Pattern DRIVE = Pattern.compile("[A-Za-z]:");
    private static final Map<String, Need> NEEDS = words(Need.values());
    private static final Map<String, Grade> GRADES = words(Grade.values());

    /** As deep as a project is read. */
    private static final int DEEPEST = 100;

    private final List<JsonFault> faults = new ArrayList<>();
    private final List<Like> likes = new ArrayList<>();
    private final List<Demand> demands = new ArrayList<>();
    /** What every folder of a pattern has to hold; told with the folder, and a rule like any other. */
    private final List<DocumentRule> documentsOfEach = new ArrayList<>();
    private final List<FileRule> filesOfEach = new ArrayList<>();

    /** Whether it went out already: then what is told of kits only since is let be. */
    private final boolean published;

    private KitReader(boolean published) {
        this.published = published;
    }

    /**
     * Reads a kit that was published before, perhaps by rules that were not as strict: those it broke only since are no
     * fault of it, and a custom link rule that would take all memory is left out.
     */
    public static KitReading readPublished(byte[] json) {
        return read(json, true);
    }

    public static KitReading read(byte[] json) {
        return read(json, false);
    }

    private static KitReading read(byte[] json, boolean published) {
        if (json.length > MAX_BYTES) {
            return new KitReading(Optional.empty(), List.of(new JsonFault("", KitWording.TOO_LARGE.say(Facts.of(MOST_BYTES, MAX_BYTES)))));
        }
        try {
            Optional<JsonFault> twin = published ? Optional.empty() : JsonTwins.first(json);
            return twin.isPresent() ? new KitReading(Optional.empty(), List.of(twin.get()))
                    : new KitReader(published).read(JsonDocuments.MAPPER.readTree(json));
        } catch (JacksonException broken) {
            return new KitReading(Optional.empty(), List.of(JsonDocuments.fault(broken)));
        }
    }

    private KitReading read(JsonNode json) {
        StrictObject document = new StrictObject(json, "", faults);
        if (!json.isObject()) {
            return new KitReading(Optional.empty(), faults);
        }
        if (document.node("kit").filter(JsonNode::isIntegralNumber).map(JsonNode::longValue).orElse(0L) != 1L) {
            document.fault("kit", KitWording.NO_KIT.say());
        }
        if (!published) {
            noControls(json, "");
        }
        Kit kit = kit(document);
        document.close();
        boolean good = faults.isEmpty();
        return new KitReading(good ? Optional.of(kit) : Optional.empty(), faults.subList(0, Math.min(faults.size(), MAX_FAULTS)));
    }

    /** Control characters are no part of any name or sentence, and what shows or stores them may stumble. */
    private void noControls(JsonNode node, String pointer) {
        if (node.isString()) {
            node.stringValue().chars().filter(c -> Character.isISOControl(c) && c != '\n' && c != '\t' && c != '\r').findFirst()
                    .ifPresent(c -> faults
                            .add(new JsonFault(pointer,
                                    JsonWording.CONTROL.say(Facts.of(CODE_POINT, String.format(Locale.ROOT, "U+%04X", c))))));
        }
        for (int i = 0; node.isArray() && i < node.size(); i++) {
            noControls(node.get(i), pointer + "/" + i);
        }
        if (node.isObject()) {
            node.properties().forEach(entry -> noControls(entry.getValue(), pointer + "/" + StrictObject.escaped(entry.getKey())));
        }
    }

    private Kit kit(StrictObject document) {
        String title = document.requiredText("title");
        if (document.has("title") && title.isBlank()) {
            document.fault("title", KitWording.NO_TITLE.say());
        }
        int version = document.integer("version", 1, 1);
        Optional<String> assignment = document.text("assignment");
        NamePattern root = root(document);
        Optional<NameRules> names = document.object("names").map(this::names);
        List<FolderRule> folders = document.objects("folders", this::folder);
        noTwins(folders);
        OtherFolders otherFolders = document.choice("otherFolders", words(OtherFolders.values()), OtherFolders.NOTE);
        List<Companion> companions = document.objects("companions", this::companion);
        List<DocumentRule> documents = new ArrayList<>(document.objects("documents", this::documentRule));
        documents.addAll(documentsOfEach);
        List<FileRule> files = new ArrayList<>(document.objects("files", this::fileRule));
        files.addAll(filesOfEach);
        if (!published) {
            noStrangers(documents, files);
        }
        document.objects("forbidden", this::forbidden).forEach(demands::add);
        document.objects("proxies", this::proxies).forEach(demands::add);
        List<Kit.RootFile> rootFiles = document.objects("rootFiles", this::rootFile);
        List<String> ignored = document.texts("ignore");
        List<StarterFile> starter = document.objects("starter", this::starterFile);
        noTwinStarters(starter);
        return new Kit(title, version, assignment, root, names, folders, otherFolders, companions, documents, files, starter,
                document.object("links").map(links -> new LinkPolicyReader(links, published).read()).orElse(Kit.LinkPolicy.DEFAULT),
                document.object("location").map(this::location), machines(document),
                document.object("limits").map(this::limits).orElse(Limits.NONE), document.objects("steps", this::step),
                document.object("severities").map(this::severities).orElse(Map.of()), document.object("points").map(PointsReader::read),
                demands,
                rootFiles, ignored);
    }

    private NamePattern root(StrictObject document) {
        Optional<StrictObject> root = document.object("root");
        if (root.isEmpty()) {
            document.fault(KitWording.NO_ROOT.say());
            return NamePattern.of("root");
        }
        NamePattern name = pattern(root.get(), "name");
        if (name.text().contains("/") || name.text().contains("\\")) {
            root.get().fault("name", KitWording.ROOT_SLASH.say());
        }
        root.get().close();
        return name;
    }

    private NamePattern pattern(StrictObject object, String key) {
        String text = object.requiredText(key);
        if (object.has(key) && text.isBlank()) {
            object.fault(key, KitWording.EMPTY.say(Facts.of(KEY, key)));
            return NamePattern.of("name");
        }
        NamePattern.Reading reading = NamePattern.read(text);
        reading.fault().ifPresent(fault -> object.fault(key,
                KitWording.PATTERN_AT.say(Facts.of(NUMBER, fault.at() + 1).and(PATTERN, text).and(FAULT, fault.what()))));
        return reading.pattern().orElseGet(() -> NamePattern.of("name"));
    }

    private NameRules names(StrictObject object) {
        NameRules rules = new NameRules(
                object.choice("spaces", Map.of("allow", true, "forbid", false), true),
                object.choice("letters", words(NameRules.Letters.values()), NameRules.Letters.ANY),
                object.integer("maxLength", 1, 0), object.flag("portable", true), object.flag("ascii", false), object.texts("avoid"),
                object.flag("avoidWholeWords", false));
        object.close();
        return rules;
    }

    private FolderRule folder(StrictObject object) {
        String text = object.requiredText("path");
        FolderPattern path = folderPattern(object, "path", text);
        OptionalInt repeats = object.object("repeats").map(repeat -> {
            int least = repeat.integer("atLeast", 0, 1);
            repeat.close();
            return OptionalInt.of(least);
        }).orElse(OptionalInt.empty());
        folderDemands(object, path);
        return new FolderRule(path, object.text("purpose").orElse(""), object.choice("need", NEEDS, Need.REQUIRED),
                extensions(object, "accepts"),
                object.integer("atLeast", 0, 0), object.flag("sealed", false), object.flag("managed", false), repeats, media(object),
                object.flag("autosave", false), object.flag("rebuildable", false));
    }

    /** What is asked of a folder beyond its own rule. */
    private void folderDemands(StrictObject object, FolderPattern path) {
        OptionalLong most = object.integer("atMost", 0);
        if (most.isPresent()) {
            demands.add(new Demand.Amount(path, List.of(), 0, OptionalInt.of((int) Math.min(Integer.MAX_VALUE, most.getAsLong()))));
        }
        object.objects("counts", count -> {
            List<String> types = extensions(count, "types");
            int least = count.integer("atLeast", 0, 0);
            OptionalLong limit = count.integer("atMost", 0);
            if (limit.isPresent() && limit.getAsLong() < least) {
                count.fault("atMost", KitWording.MOST_UNDER_LEAST.say());
            }
            return new Demand.Amount(path, types, least,
                    limit.isPresent() ? OptionalInt.of((int) Math.min(Integer.MAX_VALUE, limit.getAsLong())) : OptionalInt.empty());
        }).forEach(demands::add);
        object.object("numbered").ifPresent(numbered -> {
            NamePattern name = pattern(numbered, "name");
            if (!name.text().contains("{number")) {
                numbered.fault("name", KitWording.NO_NUMBER.say());
            }
            demands.add(new Demand.Numbering(path, name, extensions(numbered, "types")));
            numbered.close();
        });
        object.object("each").ifPresent(each -> {
            documentsOfEach.addAll(each.objects("documents", one -> documentRule(one, Optional.of(ProjectPath.of(path.text())))));
            filesOfEach.addAll(each.objects("files", one -> fileRule(one, Optional.of(ProjectPath.of(path.text())))));
            each.close();
        });
    }

    private Demand forbidden(StrictObject object) {
        return new Demand.Forbidden(object.requiredText("files"), object.text("purpose").orElse(""));
    }

    private Demand proxies(StrictObject object) {
        Optional<FolderPattern> in = object.text("in").map(folder -> folderPattern(object, "in", folder));
        Optional<String> text = object.text("name");
        if (in.isEmpty() && text.isEmpty()) {
            object.fault(KitWording.PROXIES_WHAT.say());
        }
        Optional<ProxyName> name = text.flatMap(ProxyName::read);
        boolean tells = name.isPresent() && (in.isPresent() || !name.get().equals(ProxyName.SAME));
        text.filter(given -> !tells).ifPresent(given -> object.fault("name", KitWording.PROXY_NAME.say(Facts.of(FOUND, given))));
        return new Demand.Proxies(in, name);
    }

    private Kit.RootFile rootFile(StrictObject object) {
        return new Kit.RootFile(pattern(object, "name"), extensions(object, "types"));
    }

    private Demand.Sizes sizes(StrictObject object) {
        return new Demand.Sizes(object.text("in").map(in -> folderPattern(object, "in", in)), extensions(object, "types"),
                object.integer("fileBytes", 1),
                object.integer("totalBytes", 1));
    }

    private Demand linking(StrictObject object, String role) {
        Optional<FolderPattern> in = object.text("in").map(folder -> folderPattern(object, "in", folder));
        Optional<String> other = object.text("role");
        Optional<ProjectPath> starter = object.text("starter").map(ProjectPath::of);
        if (Stream.of(in.isPresent(), other.isPresent(), starter.isPresent()).filter(given -> given).count() != 1) {
            object.fault(KitWording.LINKS_WHAT.say());
        }
        return new Demand.Linking(role, in, other, starter, object.integer("atLeast", 1, 1));
    }

    private FolderPattern folderPattern(StrictObject object, String key, String text) {
        Optional<Phrase> wrong = wrongPath(text);
        if (wrong.isPresent()) {
            object.fault(key, wrong.get());
            return FolderPattern.of("folder");
        }
        return new FolderPattern(text, patterns(object, key, text));
    }

    /** The patterns of a path, one for each name; a name that is none is told. */
    private static List<NamePattern> patterns(StrictObject object, String key, String text) {
        List<NamePattern> names = new ArrayList<>();
        int before = 0;
        for (String name : text.split("/", -1)) {
            NamePattern.Reading reading = NamePattern.read(name);
            int start = before;
            reading.fault().ifPresent(fault -> object.fault(key,
                    KitWording.PATTERN_AT.say(Facts.of(NUMBER, start + fault.at() + 1).and(PATTERN, text).and(FAULT, fault.what()))));
            reading.pattern().ifPresent(names::add);
            before += name.codePointCount(0, name.length()) + 1;
        }
        return names;
    }

    private Optional<Phrase> wrongPath(String path) {
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

    private void noTwins(List<FolderRule> folders) {
        Map<String, Integer> seen = new HashMap<>();
        for (int i = 0; i < folders.size(); i++) {
            Integer first = seen.putIfAbsent(folders.get(i).path().key(), i);
            if (first != null) {
                faults.add(new JsonFault("/folders/" + i + "/path",
                        KitWording.FOLDER_TWICE.say(Facts.of(FOUND, folders.get(i).path().text()).and(OTHER, "/folders/" + first))));
            }
        }
    }

    private void noTwinStarters(List<StarterFile> starter) {
        Map<ProjectPath, Integer> seen = new HashMap<>();
        for (int i = 0; i < starter.size(); i++) {
            if (seen.putIfAbsent(starter.get(i).path(), i) != null) {
                faults.add(new JsonFault("/starter/" + i + "/path", KitWording.STARTER_TWICE.say(Facts.of(FOUND, starter.get(i).path()))));
            }
        }
    }

    private Companion companion(StrictObject object) {
        String name = object.requiredText("name");
        boolean none = object.has("name") && (name.isBlank() || name.equals("."));
        if (none && !published) {
            object.fault("name", KitWording.COMPANION_NO_NAME.say(Facts.of(FOUND, name)));
        }
        if (name.contains("/") || name.contains("\\") || name.equals("..")) {
            object.fault("name", KitWording.COMPANION_SLASH.say());
        }
        return new Companion(name, object.text("purpose").orElse(""), object.choice("need", NEEDS, Need.OPTIONAL),
                object.flag("managed", false));
    }

    private DocumentRule documentRule(StrictObject object) {
        return documentRule(object, Optional.empty());
    }

    /** @param place the folder it stands with, where it does not say one */
    private DocumentRule documentRule(StrictObject object, Optional<ProjectPath> place) {
        String role = object.requiredText("role");
        object.objects("links", link -> linking(link, role)).forEach(demands::add);
        return new DocumentRule(role, place.orElseGet(() -> in(object)), pattern(object, "name"), extensions(object, "types"),
                object.choice("need", NEEDS, Need.REQUIRED), object.integer("versions", 0, 0), object.integer("maxLength", 1, 0),
                media(object), object.object("timeline").map(TimelineRuleReader::read), like(object, role), object.text("either"));
    }

    private FileRule fileRule(StrictObject object) {
        return fileRule(object, Optional.empty());
    }

    private FileRule fileRule(StrictObject object, Optional<ProjectPath> place) {
        String role = object.requiredText("role");
        return new FileRule(role, place.orElseGet(() -> in(object)), pattern(object, "name"), extensions(object, "types"),
                object.choice("need", NEEDS, Need.REQUIRED), media(object), like(object, role), object.text("either"));
    }

    /** What is to be named like something else. */
    private record Like(StrictObject object, String role, String other) {}

    private Optional<String> like(StrictObject object, String role) {
        Optional<String> other = object.text("namedLike");
        other.ifPresent(name -> likes.add(new Like(object, role, name)));
        return other;
    }

    /** A name that is to be like nobody's, or like itself by way of others, can be given by no one. */
    private void noStrangers(List<DocumentRule> documents, List<FileRule> files) {
        Set<String> roles = Stream.concat(documents.stream().map(DocumentRule::role), files.stream().map(FileRule::role))
                .collect(Collectors.toSet());
        Map<String, String> next = new HashMap<>();
        likes.forEach(like -> next.putIfAbsent(like.role, like.other));
        for (Like like : likes) {
            Set<String> passed = new HashSet<>(Set.of(like.role));
            String at = like.other;
            while (at != null && passed.add(at)) {
                at = next.get(at);
            }
            if (!roles.contains(like.other)) {
                like.object.fault("namedLike", KitWording.LIKE_NOBODY.say(Facts.of(FOUND, like.other)));
            } else if (at != null) {
                like.object.fault("namedLike", KitWording.LIKE_ITSELF.say(Facts.of(FOUND, like.other)));
            }
        }
    }

    /** A brief that asks for nothing is none. */
    private Optional<MediaRule> media(StrictObject object) {
        return object.object("media").map(media -> MediaRuleReader.read(media, published)).filter(rule -> !rule.isNone());
    }

    private ProjectPath in(StrictObject object) {
        String text = object.text("in").orElse("");
        if (!text.isEmpty()) {
            wrongPath(text).ifPresentOrElse(wrong -> object.fault("in", wrong), () -> patterns(object, "in", text));
        }
        return ProjectPath.of(text);
    }

    private List<String> extensions(StrictObject object, String key) {
        return object.texts(key).stream().map(text -> text.startsWith(".") ? text.substring(1) : text)
                .map(text -> text.toLowerCase(java.util.Locale.ROOT)).distinct().toList();
    }

    private StarterFile starterFile(StrictObject object) {
        String path = object.requiredText("path");
        wrongPath(path).ifPresent(wrong -> object.fault("path", wrong));
        String sha256 = object.requiredText("sha256").toLowerCase(java.util.Locale.ROOT);
        if (!SHA256.matcher(sha256).matches()) {
            object.fault("sha256", KitWording.BAD_HASH.say());
        }
        return new StarterFile(ProjectPath.of(path), sha256, object.integer("bytes", 0).orElse(0),
                object.choice("treat", words(StarterFile.Treat.values()), StarterFile.Treat.KEEP));
    }

    private LocationPolicy location(StrictObject object) {
        LocationPolicy policy = new LocationPolicy(choices(object, "storage", words(StorageKind.values())),
                choices(object, "avoid", words(Avoided.values())),
                object.integer("maxRootLength", 1, 0));
        object.close();
        return policy;
    }

    private static <T> List<T> choices(StrictObject object, String key, Map<String, T> known) {
        List<T> out = new ArrayList<>();
        for (String word : object.texts(key)) {
            if (known.containsKey(word)) {
                out.add(known.get(word));
            } else {
                object.fault(key, JsonWording.NO_CHOICE.say(Facts.of(KEY, key).and(FOUND, word).and(TYPES, List.copyOf(known.keySet()))));
            }
        }
        return out;
    }

    private List<String> machines(StrictObject document) {
        List<String> names = document.texts("machines");
        for (int i = 0; i < names.size(); i++) {
            if (Machine.shipped(names.get(i)).isEmpty()) {
                faults.add(new JsonFault("/machines/" + i, KitWording.NO_MACHINE
                        .say(Facts.of(FOUND, names.get(i)).and(OTHERS, Machine.SHIPPED.stream().map(Machine::name).toList()))));
            }
        }
        return names;
    }

    private Limits limits(StrictObject object) {
        object.objects("per", this::sizes).stream().filter(Demand.Sizes::limits).forEach(demands::add);
        Limits limits = new Limits(object.integer("totalBytes", 1), object.integer("fileBytes", 1));
        object.close();
        return limits;
    }

    private Step step(StrictObject object) {
        Optional<String> picture = object.text("picture");
        picture.flatMap(this::wrongPath).ifPresent(wrong -> object.fault("picture", wrong));
        return new Step(object.requiredText("title"), object.text("text").orElse(""), object.flag("confirm", false),
                picture.map(ProjectPath::of));
    }

    private Map<Code, Optional<Severity>> severities(StrictObject object) {
        Map<Code, Optional<Severity>> out = new LinkedHashMap<>();
        for (String id : object.keys()) {
            Optional<Code> code = Code.of(id);
            if (code.isEmpty()) {
                object.fault(id, KitWording.NO_CODE.say(Facts.of(FOUND, id)));
            } else if (code.get().family() == Family.PACKAGE) {
                object.fault(id, KitWording.PACKAGE_CODE.say());
            } else {
                out.put(code.get(), object.choice(id, GRADES, Grade.OFF).severity());
            }
        }
        return out;
    }

    static <E extends Enum<E>> Map<String, E> words(E[] values) {
        return Stream.of(values).collect(Collectors.toMap(value -> value.name().toLowerCase(java.util.Locale.ROOT), value -> value,
                (a, b) -> a, LinkedHashMap::new));
    }
}
