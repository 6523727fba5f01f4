package org.opensatchel.core.link.format;

import java.io.EOFException;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Gunzipped;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;

/**
 * A document of any other format that is packed as a whole by gzip (RFC 1952), as pictures ({@code .svgz}: SVG 1.1, appendix K.3) and scenes
 * ({@code .x3dz}: ISO/IEC 19776, {@code .wrz}) may be.
 */
record PackedReader(LinkReader inner) implements LinkReader {

    /** What is packed in files that are called so. */
    private static final Map<String, String> CALLED = Map.of("svgz", "svg", "x3dz", "x3d", "x3dvz", "x3dv", "wrz", "wrl");

    /**
     * The reader for what is packed in a file; empty when it is not packed so, or nothing that is read.
     *
     * @param readers tells the reader for an extension and a beginning
     */
    static Optional<LinkReader> of(String extension, Head head, BiFunction<String, Head, Optional<LinkReader>> readers) {
        return head.unpacked().flatMap(inside -> readers.apply(CALLED.getOrDefault(extension, extension), inside)).map(PackedReader::new);
    }

    @Override
    public String id() {
        return inner.id();
    }

    @Override
    public List<String> extensions() {
        return List.of();
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
