package org.opensatchel.formats;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.opensatchel.formats.aiff.Aiff;
import org.opensatchel.formats.avi.Avi;
import org.opensatchel.formats.bmp.Bmp;
import org.opensatchel.formats.collada.Collada;
import org.opensatchel.formats.css.Css;
import org.opensatchel.formats.cue.Cue;
import org.opensatchel.formats.dash.Dash;
import org.opensatchel.formats.dawproject.Dawproject;
import org.opensatchel.formats.edl.Edl;
import org.opensatchel.formats.epub.Epub;
import org.opensatchel.formats.flac.Flac;
import org.opensatchel.formats.font.Font;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.gif.Gif;
import org.opensatchel.formats.gltf.Gltf;
import org.opensatchel.formats.html.Html;
import org.opensatchel.formats.jpeg.Jpeg;
import org.opensatchel.formats.kind.Endings;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.kml.Kml;
import org.opensatchel.formats.latex.Latex;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.PackedLinks;
import org.opensatchel.formats.m3u.M3u;
import org.opensatchel.formats.markdown.Markdown;
import org.opensatchel.formats.materialx.Materialx;
import org.opensatchel.formats.matroska.Matroska;
import org.opensatchel.formats.mp3.Mp3;
import org.opensatchel.formats.mp4.Mp4;
import org.opensatchel.formats.musicxml.Musicxml;
import org.opensatchel.formats.named.Named;
import org.opensatchel.formats.obj.Obj;
import org.opensatchel.formats.odf.Odf;
import org.opensatchel.formats.ogg.Ogg;
import org.opensatchel.formats.opc.Opc;
import org.opensatchel.formats.ora.Ora;
import org.opensatchel.formats.otio.Otio;
import org.opensatchel.formats.pdf.Pdf;
import org.opensatchel.formats.ply.Ply;
import org.opensatchel.formats.png.Png;
import org.opensatchel.formats.script.Script;
import org.opensatchel.formats.sfz.Sfz;
import org.opensatchel.formats.smil.Smil;
import org.opensatchel.formats.step.Step;
import org.opensatchel.formats.subtitles.Subtitles;
import org.opensatchel.formats.svg.Svg;
import org.opensatchel.formats.tiff.Tiff;
import org.opensatchel.formats.usd.Usd;
import org.opensatchel.formats.vrml.Vrml;
import org.opensatchel.formats.wav.Wav;
import org.opensatchel.formats.webmanifest.WebManifest;
import org.opensatchel.formats.webp.Webp;
import org.opensatchel.formats.x3d.X3d;
import org.opensatchel.formats.xspf.Xspf;

/** All formats that are known, the one list of them. Adding one is a folder beside the others and a line here. */
public final class Formats {

    /** What readers are told of endings. */
    public static final Endings ENDINGS = new Endings() {
        @Override
        public FileKind kind(String ending) {
            return Formats.kind(ending);
        }

        @Override
        public boolean isDocument(String ending) {
            return DOCUMENT_ENDINGS.contains(ending);
        }
    };

    /** In the order in which they are asked whether a file is theirs. */
    private static final List<Format> ALL = List.of(
            // Documents that their content alone tells.
            Gltf.BINARY, Epub.FORMAT, Ora.FORMAT, Odf.FORMAT, Otio.BUNDLE, Opc.FORMAT, Pdf.FORMAT, Otio.TIMELINE, Gltf.TEXT, Usd.TEXT,
            Vrml.FORMAT, Ply.FORMAT, Step.FORMAT, Smil.FORMAT, Xspf.FORMAT, Dash.FORMAT, Collada.SCENE, X3d.FORMAT, Materialx.FORMAT,
            Musicxml.FORMAT, Svg.FORMAT, M3u.FORMAT, Edl.FORMAT, Kml.FORMAT, WebManifest.FORMAT,
            // Documents that their ending tells.
            Html.FORMAT, Markdown.FORMAT, Obj.MODEL, Obj.MATERIALS, Css.SHEET, Cue.FORMAT, Sfz.FORMAT, Usd.PACKAGE, Collada.ARCHIVE,
            Dawproject.FORMAT, Script.FORMAT, Latex.FORMAT, Css.SOURCE,
            // What is shown, heard or set; that of which two bytes may be the beginning by chance is the last.
            Font.OPENTYPE, Font.WOFF, Font.WOFF2, Subtitles.WEBVTT, Subtitles.SUBRIP, Png.FORMAT, Jpeg.FORMAT, Gif.FORMAT, Bmp.FORMAT,
            Webp.FORMAT, Tiff.FORMAT, Wav.FORMAT, Aiff.FORMAT, Flac.FORMAT, Ogg.FORMAT, Mp4.FORMAT, Matroska.FORMAT, Avi.FORMAT, Mp3.FORMAT,
            // What is known by name.
            Named.EXR, Named.HEIC, Named.AVIF, Named.PICTURES, Named.AAC, Named.SOUNDS, Named.FILMS, Named.MODELS, Named.TEXTS, Named.CODE);

    private static final Map<String, Format> BY_ID = ALL.stream().collect(Collectors.toUnmodifiableMap(Format::id, Function.identity()));
    private static final Map<String, FileKind> KINDS = kinds();
    private static final List<Format> DOCUMENTS = ALL.stream().filter(format -> format.links().isPresent()).toList();
    private static final Set<String> DOCUMENT_ENDINGS = endings(DOCUMENTS);
    private static final Set<String> WRITTEN = endings(ALL.stream().filter(Format::isWritten).toList());
    private static final Set<String> COMPRESSED = endings(ALL.stream().filter(Format::isCompressed).toList());

    private Formats() {
    }

    private static Map<String, FileKind> kinds() {
        Map<String, FileKind> out = new HashMap<>();
        ALL.forEach(format -> format.kinds().forEach((ending, kind) -> {
            if (out.put(ending, kind) != null) {
                throw new IllegalStateException("two formats end in " + ending);
            }
        }));
        return Map.copyOf(out);
    }

    private static Set<String> endings(List<Format> some) {
        Set<String> out = new HashSet<>();
        some.forEach(format -> out.addAll(format.endings()));
        return Set.copyOf(out);
    }

    public static List<Format> all() {
        return ALL;
    }

    /** Those whose links are read. */
    public static List<Format> documents() {
        return DOCUMENTS;
    }

    /** The format of an id; empty for what stands where an id does, and for ids of later versions. */
    public static Optional<Format> of(String id) {
        return Optional.ofNullable(BY_ID.get(id));
    }

    /**
     * What kind of thing a file is, told by its ending.
     *
     * @param ending in small letters without its dot
     */
    public static FileKind kind(String ending) {
        return KINDS.getOrDefault(ending, FileKind.OTHER);
    }

    /** The endings of a kind, in small letters without their dots. */
    public static Set<String> endings(FileKind kind) {
        return KINDS.entrySet().stream().filter(one -> one.getValue() == kind).map(Map.Entry::getKey)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** The endings of documents whose links are read. */
    public static Set<String> documentEndings() {
        return DOCUMENT_ENDINGS;
    }

    /** Whether a file of this ending is compressed already. */
    public static boolean isCompressed(String ending) {
        return COMPRESSED.contains(ending);
    }

    /** Whether a file of this ending is text that somebody wrote, or code. */
    public static boolean isWritten(String ending) {
        return kind(ending) == FileKind.TEXT || WRITTEN.contains(ending);
    }

    /** A document whose links are read, and by what. */
    public record Document(Format format, LinkReader reader) {}

    /**
     * The document that a file is, by its content where that tells, else by its ending; empty when it is none that is read.
     *
     * @param ending in small letters without its dot
     * @param head how the file begins
     */
    public static Optional<Document> document(String ending, Head head) {
        if (kind(ending).isMedia() && TypeProbe.isMedia(head.bytes())) {
            // What most files are: no document begins like them.
            return Optional.empty();
        }
        return PackedLinks.packs(head) ? packed(ending, head) : plain(ending, head);
    }

    private static Optional<Document> packed(String ending, Head head) {
        return head.unpacked().flatMap(inside -> plain(PackedLinks.inside(ending), inside))
                .map(document -> new Document(document.format, new PackedLinks(document.reader)));
    }

    private static Optional<Document> plain(String ending, Head head) {
        for (Format format : DOCUMENTS) {
            LinkReader reader = format.links().orElseThrow();
            if (reader.recognises(ending, head)) {
                return Optional.of(new Document(format, reader));
            }
        }
        return Optional.empty();
    }
}
