package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.CODE_POINT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OTHERS;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
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
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.NameRules;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Reads version 1 of the kit document (docs/schema/kit.schema.json) and tells every fault with its place. */
public final class KitReader {

    /** Largest kit document, in bytes. */
    public static final int MAX_BYTES = 16 << 20;

    private static final int MAX_FAULTS = 50;
    private static final Map<String, Grade> GRADES = FieldTypes.words(Grade.values());

    private final List<JsonFault> faults = new ArrayList<>();
    private final KitContext in;

    private KitReader(boolean published) {
        this.in = new KitContext(published);
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
        if (!in.isPublished()) {
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
        Optional<NameRules> names = one(document, "names", KitShapes.NAMES);
        List<FolderRule> folders = all(document, "folders", KitShapes.FOLDER);
        noTwins(folders);
        OtherFolders otherFolders = document.choice("otherFolders", FieldTypes.words(OtherFolders.values()), OtherFolders.NOTE);
        List<Companion> companions = all(document, "companions", KitShapes.COMPANION);
        List<DocumentRule> documents = new ArrayList<>(all(document, "documents", KitShapes.DOCUMENT));
        documents.addAll(in.documentsOfEach());
        List<FileRule> files = new ArrayList<>(all(document, "files", KitShapes.FILE));
        files.addAll(in.filesOfEach());
        if (!in.isPublished()) {
            noStrangers(documents, files);
        }
        all(document, "forbidden", KitDemands.FORBIDDEN).forEach(in::demand);
        all(document, "proxies", KitDemands.PROXIES).forEach(in::demand);
        List<Kit.RootFile> rootFiles = all(document, "rootFiles", KitShapes.ROOT_FILE);
        List<String> ignored = document.texts("ignore");
        List<StarterFile> starter = all(document, "starter", KitShapes.STARTER);
        noTwinStarters(starter);
        return new Kit(title, version, assignment, root, names, folders, otherFolders, companions, documents, files, starter,
                one(document, "links", LinksShape.LINKS).orElse(Kit.LinkPolicy.DEFAULT),
                one(document, "location", KitShapes.LOCATION), machines(document),
                one(document, "limits", KitShapes.LIMITS).orElse(Limits.NONE), all(document, "steps", KitShapes.STEP),
                document.object("severities").map(this::severities).orElse(Map.of()), one(document, "points", PointsShape.POINTS),
                in.demands(),
                rootFiles, ignored);
    }

    private <R extends Record> Optional<R> one(StrictObject document, String key, Shape<R> shape) {
        return document.object(key).map(object -> shape.readWhole(object, in));
    }

    private <R extends Record> List<R> all(StrictObject document, String key, Shape<R> shape) {
        return document.objects(key, object -> shape.read(object, in));
    }

    private NamePattern root(StrictObject document) {
        Optional<StrictObject> root = document.object("root");
        if (root.isEmpty()) {
            document.fault(KitWording.NO_ROOT.say());
            return NamePattern.of("root");
        }
        NamePattern name = in.pattern(root.get(), "name");
        if (name.text().contains("/") || name.text().contains("\\")) {
            root.get().fault("name", KitWording.ROOT_SLASH.say());
        }
        root.get().close();
        return name;
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

    /** A name that is to be like nobody's, or like itself by way of others, can be given by no one. */
    private void noStrangers(List<DocumentRule> documents, List<FileRule> files) {
        Set<String> roles = Stream.concat(documents.stream().map(DocumentRule::role), files.stream().map(FileRule::role))
                .collect(Collectors.toSet());
        Map<String, String> next = new HashMap<>();
        in.likes().forEach(like -> next.putIfAbsent(like.role(), like.other()));
        for (KitContext.Like like : in.likes()) {
            Set<String> passed = new HashSet<>(Set.of(like.role()));
            String at = like.other();
            while (at != null && passed.add(at)) {
                at = next.get(at);
            }
            if (!roles.contains(like.other())) {
                like.object().fault("namedLike", KitWording.LIKE_NOBODY.say(Facts.of(FOUND, like.other())));
            } else if (at != null) {
                like.object().fault("namedLike", KitWording.LIKE_ITSELF.say(Facts.of(FOUND, like.other())));
            }
        }
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
}
