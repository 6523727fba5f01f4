package org.opensatchel.formats.kind;

import java.util.Collection;
import java.util.List;
import java.util.TreeSet;

/** File types that people mean together: who allows pictures rarely means those of one ending alone. */
public enum TypeFamily {
    PICTURES(true, "png", "jpg", "tif", "exr"),
    SOUND(true, "wav", "flac"),
    FILMS(true, "mp4", "mov"),
    MODELS(false, "gltf", "glb", "obj", "mtl"),
    TIMELINES(false, "otio"),
    DRAWINGS(false, "svg", "pdf"),
    PAGES(false, "html", "css"),
    WRITING(false, "txt", "md", "odt", "pdf", "csv");

    private final boolean alike;
    private final List<String> types;

    TypeFamily(boolean alike, String... types) {
        this.alike = alike;
        this.types = List.of(types);
    }

    /** Its endings, in the order in which they are offered. */
    public List<String> types() {
        return types;
    }

    /**
     * Those types that are not among the ones given but would do as well: the rest of each family of media of which one is there. A
     * document's type is no matter of taste, and has none.
     */
    public static List<String> alike(Collection<String> given) {
        TreeSet<String> out = new TreeSet<>();
        for (TypeFamily family : values()) {
            if (family.alike && family.types.stream().anyMatch(type -> TypeNames.contains(given, type))) {
                out.addAll(family.types);
            }
        }
        out.removeIf(type -> TypeNames.contains(given, type));
        return List.copyOf(out);
    }
}
