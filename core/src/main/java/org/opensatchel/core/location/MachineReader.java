package org.opensatchel.core.location;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.KEY;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.base.json.JsonWording;
import org.opensatchel.base.json.StrictObject;
import org.opensatchel.base.path.LinkText;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Reads machine documents (docs/schema/machine.schema.json), strictly: what is wrong is told with its key and place. */
public final class MachineReader {

    private static final Map<String, OperatingSystem> SYSTEMS = words("windows", OperatingSystem.WINDOWS, "macos", OperatingSystem.MACOS,
            "linux", OperatingSystem.LINUX);
    private static final Map<String, Boolean> CASES = words("ignored", true, "kept", false);
    private static final Map<String, Machine.UnicodeRule> UNICODE = words("any", Machine.UnicodeRule.ANY, "composed",
            Machine.UnicodeRule.COMPOSED, "decomposed", Machine.UnicodeRule.DECOMPOSED);
    private static final List<String> REACHES = List.of("network", "web");

    /** The machine, or why there is none. */
    public record Reading(Optional<Machine> machine, List<JsonFault> faults) {}

    private MachineReader() {
    }

    public static Reading read(byte[] json) {
        List<JsonFault> faults = new ArrayList<>();
        JsonNode node;
        try {
            node = JsonDocuments.MAPPER.readTree(json);
        } catch (JacksonException broken) {
            return new Reading(Optional.empty(), List.of(JsonDocuments.fault(broken)));
        }
        Machine machine = machine(new StrictObject(node, "", faults));
        return faults.isEmpty() ? new Reading(Optional.of(machine), faults) : new Reading(Optional.empty(), faults);
    }

    static Machine machine(StrictObject object) {
        if (object.integer("machine", 1).orElse(0) != 1) {
            object.fault("machine", MachineWording.NO_MACHINE.say());
        }
        String name = object.requiredText("name");
        if (object.has("name") && name.isBlank()) {
            object.fault("name", MachineWording.NO_NAME.say());
        }
        OperatingSystem system = object.choice("system", SYSTEMS, null);
        if (!object.has("system")) {
            object.fault(MachineWording.NO_SYSTEM.say());
        }
        boolean windows = system == OperatingSystem.WINDOWS;
        String root = object.text("root").orElse(windows ? "E:\\{root}" : "/home/student/{root}");
        if (!root.contains("{root}") || LinkText.read(root.replace("{root}", "x"), org.opensatchel.base.path.Notation.PLAIN)
                .filter(address -> address.form().isAbsolute()).isEmpty()) {
            object.fault("root", MachineWording.NO_ROOT.say());
        }
        List<String> reaches = object.texts("reaches");
        reaches.stream().filter(one -> !REACHES.contains(one)).findFirst().ifPresent(one -> object.fault("reaches",
                JsonWording.NO_CHOICE.say(Facts.of(KEY, "reaches").and(FOUND, one).and(TYPES, List.of("network", "web")))));
        Machine machine = new Machine(name, object.text("title").orElse(name), system,
                object.choice("case", CASES, system != OperatingSystem.LINUX),
                object.choice("unicode", UNICODE,
                        system == OperatingSystem.MACOS ? Machine.UnicodeRule.DECOMPOSED : Machine.UnicodeRule.ANY),
                object.integer("maxPath", 1, windows ? 259 : system == OperatingSystem.MACOS ? 1024 : 4096),
                object.integer("maxName", 1, 255), object.integer("fileBytes", 1).orElse(Long.MAX_VALUE), root, reaches);
        object.close();
        return machine;
    }

    private static <T> Map<String, T> words(Object... pairs) {
        Map<String, T> words = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            @SuppressWarnings("unchecked")
            T value = (T) pairs[i + 1];
            words.put((String) pairs[i], value);
        }
        return words;
    }
}
