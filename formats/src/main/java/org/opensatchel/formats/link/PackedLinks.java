package org.opensatchel.formats.link;

import java.io.EOFException;
import java.io.IOException;
import java.util.Map;

/**
 * A document of any other format that is packed as a whole by gzip (RFC 1952), as pictures ({@code .svgz}: SVG 1.1, appendix K.3) and scenes
 * ({@code .x3dz}: ISO/IEC 19776, {@code .wrz}) may be.
 */
public record PackedLinks(LinkReader inner) implements LinkReader {

    /** What is packed in files that are called so. */
    private static final Map<String, String> CALLED = Map.of("svgz", "svg", "x3dz", "x3d", "x3dvz", "x3dv", "wrz", "wrl");

    /** Whether a file is packed so (RFC 1952, section 2.3.1). */
    public static boolean packs(Head head) {
        return head.startsWith(0x1F, 0x8B);
    }

    /** What the packed file is called: the ending without what says that it is packed. */
    public static String inside(String ending) {
        return CALLED.getOrDefault(ending, ending);
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return head.unpacked().isPresent();
    }

    @Override
    public boolean countsFromIncluder() {
        return inner.countsFromIncluder();
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        Gunzipped unpacked = new Gunzipped(document.stream(), document.limit());
        try {
            inner.read(new DocumentContent(document.path(), unpacked, document.limit()), sink);
        } catch (Unreadable ended) {
            // That the packing is damaged comes before what its reader makes of the rest.
            throw unpacked.fault().orElse(ended);
        } catch (EOFException ended) {
            throw unpacked.fault().orElseThrow(() -> ended);
        }
        unpacked.finish();
    }
}
