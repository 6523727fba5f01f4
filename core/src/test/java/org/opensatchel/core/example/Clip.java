package org.opensatchel.core.example;

import java.nio.charset.StandardCharsets;
import java.util.Base64;
import org.opensatchel.base.path.PercentCoding;

/**
 * One mention in an invented document.
 *
 * @param relative as it is written from the document's folder
 * @param absolute as it is written on the machine where it was saved
 * @param label a name for people
 */
record Clip(String relative, String absolute, String label, int in, int out) {

    /** The relative path from the project's root, where the document lies one folder below it. */
    String fromRoot() {
        return relative.startsWith("../") ? relative.substring(3) : "edit/" + relative;
    }

    String name() {
        return relative.substring(relative.lastIndexOf('/') + 1);
    }

    /** The folder of the relative path; empty for none. */
    String folder() {
        return relative.indexOf('/') < 0 ? "" : relative.substring(0, relative.lastIndexOf('/'));
    }

    String uri() {
        return PercentCoding.encode(relative);
    }

    String fileUri() {
        return "file:///" + PercentCoding.encode(absolute.replace('\\', '/')).replaceFirst("^/+", "").replace("%3A", ":");
    }

    String backslashed() {
        return relative.replace('/', '\\');
    }

    String base64() {
        return Base64.getEncoder().encodeToString(relative.getBytes(StandardCharsets.UTF_8));
    }
}
