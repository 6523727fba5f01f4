package org.opensatchel.core.location;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.base.json.JsonFault;
import org.opensatchel.base.json.StrictObject;

/**
 * A computer or disk a project has to open on.
 *
 * @param system whose path rules hold there
 * @param caseIgnored whether names that differ in letter case only are one name there
 * @param maxPath longest path in characters
 * @param maxName longest name in characters
 * @param fileBytes largest file in bytes
 * @param root where a project lies there; {@code {root}} stands for the root's name
 * @param reaches what can be opened beside the disk: {@code network}, {@code web}
 */
public record Machine(String name, String title, OperatingSystem system, boolean caseIgnored, UnicodeRule unicode,
        int maxPath, int maxName, long fileBytes, String root, List<String> reaches) {

    /** How a file system treats the two Unicode forms of one name. */
    public enum UnicodeRule {
        ANY, COMPOSED, DECOMPOSED
    }

    /** The machines that come with the product. */
    public static final List<Machine> SHIPPED = shipped();

    private static List<Machine> shipped() {
        try (InputStream json = Machine.class.getResourceAsStream("shipped.json")) {
            List<JsonFault> faults = new ArrayList<>();
            List<Machine> machines = new ArrayList<>();
            JsonDocuments.MAPPER.readTree(json).forEach(node -> machines.add(MachineReader.machine(new StrictObject(node, "", faults))));
            if (!faults.isEmpty()) {
                throw new IllegalStateException("the shipped machines cannot be read: " + faults);
            }
            return List.copyOf(machines);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    public static Optional<Machine> shipped(String name) {
        return SHIPPED.stream().filter(machine -> machine.name.equals(name)).findFirst();
    }
}
