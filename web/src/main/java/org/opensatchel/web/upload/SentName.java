package org.opensatchel.web.upload;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;

/** The name of what is sent, as a header carries it: percent-encoded, since a header is not made for every letter. */
public final class SentName {

    private SentName() {
    }

    /** One that is not encoded well is taken as it is. */
    public static String decoded(String header) {
        try {
            return URLDecoder.decode(header, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException asItIs) {
            return header;
        }
    }
}
