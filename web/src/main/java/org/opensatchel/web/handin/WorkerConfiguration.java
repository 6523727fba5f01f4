package org.opensatchel.web.handin;

import java.nio.file.Path;
import java.util.List;
import org.opensatchel.worker.WorkerMain;
import org.opensatchel.worker.WorkerPool;
import org.opensatchel.worker.WorkerSettings;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The workers of this server: the same Java and the same classes, in processes of their own. */
@Configuration
class WorkerConfiguration {

    @Bean(destroyMethod = "close")
    WorkerPool workers(CheckSettings settings) {
        Path java = Path.of(System.getProperty("java.home"), "bin", "java");
        return new WorkerPool(new WorkerSettings(java, main(System.getProperty("java.class.path")), settings.temporaryFolder(),
                (int) settings.heap().toMegabytes(),
                (int) settings.memory().toMegabytes(), settings.time(), settings.output().toBytes()));
    }

    /** The application runs from one jar of jars, which needs its loader; tests and development run from plain class paths. */
    private static List<String> main(String classPath) {
        boolean packed = classPath.endsWith(".jar") && !classPath.contains(java.io.File.pathSeparator);
        String absolute = packed ? Path.of(classPath).toAbsolutePath().toString() : classPath;
        return packed
                ? List.of("-cp", absolute, "-Dloader.main=" + WorkerMain.class.getName(),
                        "org.springframework.boot.loader.launch.PropertiesLauncher")
                : List.of("-cp", absolute, WorkerMain.class.getName());
    }
}
