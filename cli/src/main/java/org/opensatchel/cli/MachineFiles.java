package org.opensatchel.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.core.location.Machine;
import org.opensatchel.core.location.MachineReader;

/** What is given as a machine: the name of a shipped one, or a machine document. */
final class MachineFiles {

    private static final int MOST_BYTES = 1 << 20;

    private MachineFiles() {
    }

    static List<Machine> read(List<String> given) throws Refusal {
        List<Machine> machines = new ArrayList<>();
        for (String one : given) {
            Machine machine = machine(one);
            if (machines.stream().anyMatch(other -> other.name().equals(machine.name()))) {
                throw new Refusal("machine.twice", machine.name());
            }
            machines.add(machine);
        }
        return machines;
    }

    private static Machine machine(String given) throws Refusal {
        Optional<Machine> shipped = Machine.shipped(given);
        if (shipped.isPresent()) {
            return shipped.get();
        }
        byte[] json = bytes(given);
        MachineReader.Reading reading = MachineReader.read(json);
        return reading.machine().orElseThrow(() -> new Refusal("machine.unusable", given,
                new Refusal.Phrases(reading.faults().stream().map(JsonFault::said).toList(), " ")));
    }

    private static byte[] bytes(String given) throws Refusal {
        try {
            Path path = Path.of(given);
            if (!Files.isRegularFile(path)) {
                throw new Refusal("machine.unknown", given, String.join(", ", Machine.SHIPPED.stream().map(Machine::name).toList()));
            }
            try (InputStream in = Files.newInputStream(path)) {
                byte[] json = in.readNBytes(MOST_BYTES + 1);
                if (json.length > MOST_BYTES) {
                    throw new Refusal("machine.large", given, MOST_BYTES);
                }
                return json;
            }
        } catch (InvalidPathException | IOException unreadable) {
            throw new Refusal("machine.unreadable", given);
        }
    }
}
