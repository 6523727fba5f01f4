package org.opensatchel.formats.link;

import java.io.IOException;

/**
 * Reads one file format: says whether a file is one, and which files it names, where. It judges nothing and opens nothing.
 */
public interface LinkReader {

    /**
     * Whether a file is of this format: by its content where that tells, else by its extension.
     *
     * @param extension in lower case without its dot
     * @param head how the file begins
     */
    boolean recognises(String extension, Head head);

    /**
     * Whether links of a document that another one includes may count from that other one, as where a text is put together before anything
     * is looked up.
     */
    default boolean countsFromIncluder() {
        return false;
    }

    /** Hands every link to the sink; what was found before a fault is kept. */
    void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable;
}
