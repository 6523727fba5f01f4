package org.opensatchel.core.link;

import java.util.List;
import java.util.Optional;
import org.opensatchel.core.link.format.ColladaReader;
import org.opensatchel.core.link.format.CssReader;
import org.opensatchel.core.link.format.CueReader;
import org.opensatchel.core.link.format.DashReader;
import org.opensatchel.core.link.format.DawprojectReader;
import org.opensatchel.core.link.format.EdlReader;
import org.opensatchel.core.link.format.EpubReader;
import org.opensatchel.core.link.format.GlbReader;
import org.opensatchel.core.link.format.GltfReader;
import org.opensatchel.core.link.format.HtmlReader;
import org.opensatchel.core.link.format.M3uReader;
import org.opensatchel.core.link.format.MarkdownReader;
import org.opensatchel.core.link.format.MaterialxReader;
import org.opensatchel.core.link.format.MtlReader;
import org.opensatchel.core.link.format.MusicxmlReader;
import org.opensatchel.core.link.format.ObjReader;
import org.opensatchel.core.link.format.OdfReader;
import org.opensatchel.core.link.format.OpcReader;
import org.opensatchel.core.link.format.OraReader;
import org.opensatchel.core.link.format.OtioReader;
import org.opensatchel.core.link.format.OtiozReader;
import org.opensatchel.core.link.format.PdfReader;
import org.opensatchel.core.link.format.PlyReader;
import org.opensatchel.core.link.format.SfzReader;
import org.opensatchel.core.link.format.SmilReader;
import org.opensatchel.core.link.format.StepReader;
import org.opensatchel.core.link.format.SvgReader;
import org.opensatchel.core.link.format.UsdaReader;
import org.opensatchel.core.link.format.UsdzReader;
import org.opensatchel.core.link.format.VrmlReader;
import org.opensatchel.core.link.format.X3dReader;
import org.opensatchel.core.link.format.XspfReader;
import org.opensatchel.core.link.format.ZaeReader;

/** The formats that are read. Adding one is a class, a line here and its test files. */
public final class LinkReaders {

    /** In the order in which they are asked: those that content alone tells come first. */
    private static final List<LinkReader> ALL = List.of(
            new GlbReader(), new EpubReader(), new OraReader(), new OdfReader(), new OtiozReader(), new OpcReader(), new PdfReader(),
            new OtioReader(), new GltfReader(), new UsdaReader(), new VrmlReader(), new PlyReader(), new StepReader(),
            new SmilReader(), new XspfReader(), new DashReader(), new ColladaReader(), new X3dReader(), new MaterialxReader(), new MusicxmlReader(), new SvgReader(),
            new M3uReader(), new EdlReader(),
            // By their extension alone.
            new HtmlReader(), new MarkdownReader(), new ObjReader(), new MtlReader(), new CssReader(), new CueReader(), new SfzReader(), new UsdzReader(), new ZaeReader(),
            new DawprojectReader());

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
