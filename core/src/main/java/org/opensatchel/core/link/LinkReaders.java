package org.opensatchel.core.link;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.link.format.CssReader;
import org.opensatchel.core.link.format.GlbReader;
import org.opensatchel.core.link.format.GltfReader;
import org.opensatchel.core.link.format.HtmlReader;
import org.opensatchel.core.link.format.MtlReader;
import org.opensatchel.core.link.format.ObjReader;
import org.opensatchel.core.link.format.OtioReader;
import org.opensatchel.core.link.format.SvgReader;

/** The formats that are read. Adding one is a class, a line here and its test files. */
public final class LinkReaders {

    /** In the order in which they are asked: those that content alone tells come first. */
    private static final List<LinkReader> ALL = List.of(
            new GlbReader(),
            new OtioReader(),
            new GltfReader(),
            new SvgReader(),
            new HtmlReader(),
            new ObjReader(),
            new MtlReader(),
            new CssReader());

    private LinkReaders() {
    }

    public static List<LinkReader> all() {
        return ALL;
    }

    /** The reader for a file; empty when it is no document that is read. */
    public static Optional<LinkReader> of(String extension, Head head) {
        return ALL.stream().filter(reader -> reader.recognises(extension, head)).findFirst();
    }
}
