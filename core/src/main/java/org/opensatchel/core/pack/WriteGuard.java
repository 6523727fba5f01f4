package org.opensatchel.core.pack;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.naming.NameWording;
import org.opensatchel.core.naming.PortableName;

/**
 * The one guard before everything that is written into archives and onto drives. Names come from rosters and kits, and
 * whatever they are, nothing is written outside its place or under a name that some system refuses.
 */
public final class WriteGuard {

    /** Longest name of a file or folder, in bytes of UTF-8: what the common file systems hold. */
    private static final int LONGEST_NAME = 255;
    private static final int LONGEST_PATH = 4_096;

    private WriteGuard() {
    }

    /** Why a path cannot be written, completing “The name …”; empty when it can. Folders are separated by slashes. */
    public static Optional<Phrase> refusal(String path) {
        if (path.isEmpty()) {
            return Optional.of(NameWording.EMPTY.say());
        }
        if (path.length() > LONGEST_PATH) {
            return Optional.of(NameWording.LONGER_THAN_ANY.say());
        }
        for (String name : path.split("/", -1)) {
            Optional<Phrase> wrong = nameRefusal(name);
            if (wrong.isPresent()) {
                return wrong;
            }
        }
        return Optional.empty();
    }

    private static Optional<Phrase> nameRefusal(String name) {
        if (name.isBlank()) {
            return Optional.of(NameWording.EMPTY_PART.say());
        }
        if (name.equals(".") || name.equals("..")) {
            return Optional.of(NameWording.LEADS_AWAY.say());
        }
        if (name.getBytes(StandardCharsets.UTF_8).length > LONGEST_NAME) {
            return Optional.of(NameWording.LONGER_THAN_ANY.say());
        }
        return PortableName.refusal(name).map(PortableName.Refusal::what);
    }

    /** @throws IOException when the path leads out of where it is written */
    static String inside(String path) throws IOException {
        for (String name : path.split("/", -1)) {
            if (name.isEmpty() || name.equals(".") || name.equals("..")) {
                throw new IOException("unsafe name: " + path);
            }
        }
        return path;
    }

    /** @throws IOException when the path cannot be written */
    static String required(String path) throws IOException {
        Optional<Phrase> wrong = refusal(path);
        if (wrong.isPresent()) {
            throw new IOException("unsafe name, " + wrong.get().key() + ": " + path);
        }
        return path;
    }
}
