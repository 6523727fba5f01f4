package org.opensatchel.formats.named;

import java.util.Set;
import org.opensatchel.formats.format.ContentWording;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** Formats of which nothing is read: their names tell what kind of thing such a file is, and of some how they begin. */
public final class Named {

    public static final Format EXR = Format.of("exr")
            .endings(FileKind.PICTURE, "exr")
            .begins(ContentWording.OPENEXR, Set.of("image/x-exr", "image/aces"), "v/1\u0001");
    public static final Format HEIC = Format.of("heic")
            .endings(FileKind.PICTURE, "heic")
            .endings(FileKind.OTHER, "heif")
            .compressed()
            .begins(ContentWording.HEIC, Set.of("image/heic", "image/heif", "image/heic-sequence", "image/heif-sequence"), "....ftyphei",
                    "....ftyphev", "....ftypmif1", "....ftypmsf1");
    public static final Format AVIF = Format.of("avif")
            .endings(FileKind.PICTURE, "avif")
            .compressed()
            .begins(ContentWording.AVIF, Set.of("image/avif"), "....ftypavi");
    public static final Format PICTURES = Format.of("pictures")
            .endings(FileKind.PICTURE, "hdr", "tga", "dpx", "jp2", "ktx2", "dds", "ico");
    public static final Format AAC = Format.of("aac")
            .endings(FileKind.SOUND, "aac")
            .compressed();
    public static final Format SOUNDS = Format.of("sounds")
            .endings(FileKind.SOUND, "wma", "mid", "midi", "w64");
    public static final Format FILMS = Format.of("films")
            .endings(FileKind.MOVING_PICTURE, "mpg", "mpeg", "mts", "m2ts", "mxf", "wmv");
    public static final Format MODELS = Format.of("models")
            .endings(FileKind.MODEL, "stl", "usdc", "abc");
    public static final Format TEXTS = Format.of("texts")
            .endings(FileKind.TEXT, "txt", "csv", "json", "xml")
            .looseEndings(FileKind.TEXT, "tsv", "rtf", "log")
            .text();
    public static final Format CODE = Format.of("code")
            .looseEndings(FileKind.OTHER, "", "py", "pyi", "ts", "tsx", "cjs", "java", "c", "h", "cc", "cpp", "hpp", "cs", "rs", "go", "rb",
                    "php", "lua", "pl", "sh", "bat", "cmd", "ps1", "yml", "yaml", "toml", "ini", "cfg", "conf", "env", "properties", "sql",
                    "vue", "kt", "swift", "glsl", "frag", "vert", "osl", "bib", "keep", "lock")
            .written();

    private Named() {
    }
}
