package org.opensatchel.core.machine;

import java.util.List;
import java.util.Optional;

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
    public enum UnicodeRule { ANY, COMPOSED, DECOMPOSED }

    private static final long FAT_LIMIT = (1L << 32) - 1;

    /** The machines that come with the product. */
    public static final List<Machine> SHIPPED = List.of(
            new Machine("lab-windows", "Lab desk, Windows", OperatingSystem.WINDOWS, true, UnicodeRule.ANY, 259, 255, Long.MAX_VALUE, "E:\\{root}", List.of("network", "web")),
            new Machine("lab-mac", "Lab desk, Mac", OperatingSystem.MACOS, true, UnicodeRule.DECOMPOSED, 1024, 255, Long.MAX_VALUE, "/Volumes/PROJECTS/{root}", List.of("network", "web")),
            new Machine("lab-linux", "Lab desk, Linux", OperatingSystem.LINUX, false, UnicodeRule.ANY, 4096, 255, Long.MAX_VALUE, "/home/student/{root}", List.of("network", "web")),
            new Machine("drive-fat32", "Removable drive, FAT32", OperatingSystem.WINDOWS, true, UnicodeRule.ANY, 259, 255, FAT_LIMIT, "E:\\{root}", List.of()),
            new Machine("drive-exfat", "Removable drive, exFAT", OperatingSystem.WINDOWS, true, UnicodeRule.ANY, 259, 255, Long.MAX_VALUE, "E:\\{root}", List.of()),
            new Machine("render-linux", "Render node", OperatingSystem.LINUX, false, UnicodeRule.COMPOSED, 4096, 255, Long.MAX_VALUE, "/srv/render/{root}", List.of("network")),
            new Machine("instructor", "The instructor's own", OperatingSystem.MACOS, true, UnicodeRule.DECOMPOSED, 1024, 255, Long.MAX_VALUE, "/Users/instructor/grading/{root}", List.of("network", "web")));

    public static Optional<Machine> shipped(String name) {
        return SHIPPED.stream().filter(machine -> machine.name.equals(name)).findFirst();
    }
}
