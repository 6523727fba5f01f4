package org.opensatchel.formats.described.learn;

import java.util.Optional;
import org.opensatchel.base.path.ProjectPath;

/**
 * One way in which a value leads to a file of its example.
 *
 * @param decoding what has to be undone before
 * @param from where the path starts from
 * @param folder the folder it starts from, for {@link From#FOLDER}
 * @param prefix what stands before the path and is no part of it
 * @param mark how the number of a set is written; empty for one file
 */
record Lead(Decoding decoding, From from, String folder, String prefix, Optional<String> mark, ProjectPath target, boolean relative) {

    /** What a value is wrapped in. */
    enum Decoding {
        PLAIN(false, false, false),
        URI(false, false, true),
        ESCAPED(false, true, false),
        BASE64(true, false, false),
        BASE64_URI(true, false,
                true),
        ESCAPED_URI(false, true, true);

        final boolean base64;
        final boolean escapes;
        final boolean uri;

        Decoding(boolean base64, boolean escapes, boolean uri) {
            this.base64 = base64;
            this.escapes = escapes;
            this.uri = uri;
        }
    }

    /** Where a path starts from. */
    enum From {
        DOCUMENT, ROOT, FOLDER, ANYWHERE, PLACE
    }

    /** What one slot's values have to share. */
    String way() {
        return from == From.PLACE ? "" : from + "/" + folder;
    }
}
