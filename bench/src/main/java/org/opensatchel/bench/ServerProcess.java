package org.opensatchel.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** The application that is measured, as a process of this machine. */
final class ServerProcess {

    private ServerProcess() {
    }

    /** Its number, from the folder it runs in; 0 while it is away. */
    static long pid(Path state) {
        try {
            return Long.parseLong(Files.readString(state.resolve("app.pid")).strip());
        } catch (IOException | NumberFormatException none) {
            return 0;
        }
    }

    /** What a process takes of the memory, in MiB. */
    static long rss(long pid) {
        try {
            return Files.readAllLines(Path.of("/proc", Long.toString(pid), "status")).stream().filter(line -> line.startsWith("VmRSS:"))
                    .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) / 1_024).findFirst().orElse(0);
        } catch (IOException gone) {
            return 0;
        }
    }
}
