package org.opensatchel.formats.gltf;

import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.formats.binary.MediaBytes;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.jpeg.Jpeg;
import org.opensatchel.formats.media.MediaContent;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.png.Png;
import org.opensatchel.formats.webp.Webp;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** Counts what a glTF 2.0 document describes (ISO/IEC 12113; Khronos glTF 2.0, sections 3.6 and 3.7). */
final class GltfModel {

    /** What pictures of a scene may be (glTF 2.0, section 3.8.3; EXT_texture_webp). */
    private static final List<MediaReader> PICTURES = Stream.of(Png.FORMAT, Jpeg.FORMAT, Webp.FORMAT)
            .flatMap(format -> format.facts().stream())
            .toList();
    private static final int TRIANGLES = 4;
    private static final int TRIANGLE_FAN = 6;
    private static final int MOST_TEXTURES = 200;

    private final JsonNode document;

    private GltfModel(JsonNode document) {
        this.document = document;
    }

    /** Absent where it is no such document. */
    static Optional<GltfModel> of(byte[] json) {
        try {
            JsonNode document = JsonDocuments.MAPPER.readTree(json);
            return document.path("asset").path("version").isString() ? Optional.of(new GltfModel(document)) : Optional.empty();
        } catch (JacksonException | StackOverflowError broken) {
            return Optional.empty();
        }
    }

    /** @param binary where the buffer begins that lies in the file itself */
    MediaContent.Model read(Window file, long binary) throws IOException {
        long vertices = 0;
        long faces = 0;
        Set<Integer> counted = new HashSet<>();
        for (JsonNode mesh : document.path("meshes")) {
            for (JsonNode primitive : mesh.path("primitives")) {
                JsonNode position = primitive.path("attributes").path("POSITION");
                int mode = primitive.path("mode").asInt(TRIANGLES);
                long corners = count(primitive.has("indices") ? primitive.path("indices") : position);
                faces += mode == TRIANGLES ? corners / 3 : mode > TRIANGLES && mode <= TRIANGLE_FAN ? Math.max(0, corners - 2) : 0;
                vertices += position.isInt() && counted.add(position.intValue()) ? count(position) : 0;
            }
        }
        int textures = 0;
        Picture largest = Picture.still("", 0, 0);
        for (JsonNode image : document.path("images")) {
            if (image.path("bufferView").isInt() && textures < MOST_TEXTURES) {
                textures++;
                Picture picture = embedded(file, binary, document.path("bufferViews").path(image.path("bufferView").intValue()));
                largest = area(picture) > area(largest) ? picture : largest;
            }
        }
        return new MediaContent.Model(vertices, faces, textures, largest.width(), largest.height());
    }

    private static long area(Picture picture) {
        return (long) picture.width() * picture.height();
    }

    private long count(JsonNode accessor) {
        return accessor.isInt() ? Math.max(0, document.path("accessors").path(accessor.intValue()).path("count").asLong(0)) : 0;
    }

    private static Picture embedded(Window file, long binary, JsonNode view) throws IOException {
        long at = binary + Math.max(0, view.path("byteOffset").asLong(0));
        long length = view.path("byteLength").asLong(0);
        if (binary <= 0 || view.path("buffer").asInt(0) != 0 || length <= 0 || at > file.length() - length) {
            return Picture.still("", 0, 0);
        }
        return MediaReader.read(PICTURES, new Part(file, at, length)).map(MediaFacts::pictures).orElse(List.of()).stream().findFirst()
                .orElse(Picture.still("", 0, 0));
    }

    /** A part of a file, as a file of its own. */
    private record Part(Window file, long from, long length) implements MediaBytes {
        @Override
        public byte[] read(long at, int count) throws IOException {
            int some = (int) Math.max(0, Math.min(count, length - at));
            return some == 0 ? new byte[0] : file.bytes(from + at, some);
        }
    }
}
