package org.opensatchel.web.errand;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.opensatchel.worker.WorkerMain;
import org.springframework.stereotype.Component;

/** How a worker of this server is begun: the same Java and the same classes, in a process of its own. */
@Component
public class WorkerCommand {

    /** The program that runs Java. */
    public Path java() {
        return Path.of(System.getProperty("java.home"), "bin", "java");
    }

    /** Class path and main class. The application runs from one jar of jars, which needs its loader; tests and development from plain class paths. */
    public List<String> main() {
        String classPath = System.getProperty("java.class.path");
        boolean one = classPath.endsWith(".jar") && !classPath.contains(java.io.File.pathSeparator);
        // Unpacked beside its libraries, its manifest names them.
        boolean packed = one && !Files.isDirectory(Path.of(classPath).toAbsolutePath().resolveSibling("lib"));
        String absolute = one ? Path.of(classPath).toAbsolutePath().toString() : classPath;
        return packed
                ? List.of("-cp", absolute, "-Dloader.main=" + WorkerMain.class.getName(),
                        "org.springframework.boot.loader.launch.PropertiesLauncher")
                : List.of("-cp", absolute, WorkerMain.class.getName());
    }
}
