package org.opensatchel.core.link.format;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.media.FileKind;

/** The formats that are read. Adding one is a class, a line here and its test files. */
public final class LinkReaders {

    /** In the order in which they are asked: those that content alone tells come first. */
    private static final List<LinkReader> ALL = List.of(
            new GlbReader(), new EpubReader(), new OraReader(), new OdfReader(), new OtiozReader(), new OpcReader(), new PdfReader(),
            new OtioReader(), new GltfReader(), new UsdaReader(), new VrmlReader(), new PlyReader(), new StepReader(),
            new SmilReader(), new XspfReader(), new DashReader(), new ColladaReader(), new X3dReader(), new MaterialxReader(),
            new MusicxmlReader(), new SvgReader(),
            new M3uReader(), new EdlReader(), new KmlReader(), new WebManifestReader(),
            // By their extension alone.
            new HtmlReader(), new MarkdownReader(), new ObjReader(), new MtlReader(), new CssReader(), new CueReader(), new SfzReader(),
            new UsdzReader(), new ZaeReader(),
            new DawprojectReader(), new ScriptReader(), new LatexReader(), new StyleSourceReader());

    private static final Set<String> EXTENSIONS = ALL.stream().flatMap(reader -> reader.extensions().stream())
            .collect(Collectors.toUnmodifiableSet());

    private static final Set<String> COUNTING = ALL.stream().filter(LinkReader::countsFromIncluder).map(LinkReader::id)
            .collect(Collectors.toUnmodifiableSet());

    private LinkReaders() {
    }

    /** Whether links of included documents of a format may count from the one that includes them. */
    public static boolean countFromIncluder(String format) {
        return COUNTING.contains(format);
    }

    /** The extensions that documents of these formats usually have. */
    public static Set<String> extensions() {
        return EXTENSIONS;
    }

    public static List<LinkReader> all() {
        return ALL;
    }

    /** The reader for a file; empty when it is no document that is read. */
    public static Optional<LinkReader> of(String extension, Head head) {
        if (FileKind.of(extension).isMedia() && head.isMedia()) {
            // What most files are: no document begins like them.
            return Optional.empty();
        }
        return head.startsWith(0x1F, 0x8B) ? PackedReader.of(extension, head, LinkReaders::plain) : plain(extension, head);
    }

    private static Optional<LinkReader> plain(String extension, Head head) {
        return ALL.stream().filter(reader -> reader.recognises(extension, head)).findFirst();
    }
}
