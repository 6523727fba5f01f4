package org.opensatchel.core.media;

import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** What a file is, told from its extension. */
public enum FileKind {
    PICTURE("a picture"),
    SOUND("a sound"),
    MOVING_PICTURE("a moving picture"),
    MODEL("a 3D file"),
    FONT("a font"),
    TEXT("a text"),
    OTHER("a file");

    private static final Map<FileKind, Set<String>> EXTENSIONS = Map.of(
            PICTURE,
            Set.of("png", "jpg", "jpeg", "gif", "bmp", "tif", "tiff", "webp", "exr", "hdr", "tga", "dpx", "heic", "avif", "jp2", "ktx2",
                    "dds", "ico"),
            SOUND,
            Set.of("wav", "wave", "flac", "mp3", "ogg", "oga", "opus", "aif", "aiff", "m4a", "aac", "wma", "mid", "midi", "w64", "rf64"),
            MOVING_PICTURE, Set.of("mp4", "mov", "m4v", "mkv", "webm", "avi", "mpg", "mpeg", "mts", "m2ts", "mxf", "ogv", "wmv", "3gp"),
            MODEL, Set.of("gltf", "glb", "obj", "mtl", "stl", "ply", "dae", "x3d", "wrl", "usda", "usdc", "usdz", "3mf", "abc"),
            FONT, Set.of("ttf", "otf", "woff", "woff2"),
            TEXT,
            Set.of("txt", "md", "markdown", "csv", "tsv", "json", "xml", "html", "htm", "xhtml", "css", "js", "rtf", "srt", "vtt", "log"));

    private static final Map<String, FileKind> BY_EXTENSION = EXTENSIONS.entrySet().stream()
            .flatMap(kind -> kind.getValue().stream().map(extension -> Map.entry(extension, kind.getKey())))
            .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, Map.Entry::getValue));

    /** What people write as text for machines: code, settings and lists. A name without an ending is mostly one of these. */
    private static final Set<String> CODE = Set.of("", "py", "pyi", "ts", "tsx", "jsx", "mjs", "cjs", "java", "c", "h", "cc", "cpp", "hpp",
            "cs", "rs", "go", "rb", "php", "lua", "pl", "sh", "bat", "cmd", "ps1", "yml", "yaml", "toml", "ini", "cfg", "conf", "env",
            "properties", "sql", "scss", "sass", "less", "vue", "kt", "swift", "glsl", "frag", "vert", "osl", "tex", "bib", "keep", "lock");

    private final String phrase;

    FileKind(String phrase) {
        this.phrase = phrase;
    }

    /** The kind with its article, for sentences. */
    public String phrase() {
        return phrase;
    }

    /** The endings of this kind, in small letters without their dots. */
    public Set<String> extensions() {
        return EXTENSIONS.getOrDefault(this, Set.of());
    }

    /** The kind of an extension in lower case without its dot. */
    public static FileKind of(String extension) {
        return BY_EXTENSION.getOrDefault(extension, OTHER);
    }

    /** Whether a file of this extension is text that somebody wrote, or code. */
    public static boolean isWritten(String extension) {
        return of(extension) == TEXT || CODE.contains(extension);
    }

    /** Whether a document would be expected to link it. */
    public boolean isMedia() {
        return this == PICTURE || this == SOUND || this == MOVING_PICTURE;
    }
}
