package org.opensatchel.formats.gltf;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaReader;

/** glTF 2.0 in one binary file (Khronos glTF 2.0, section 4.4): a header that says how long the file is, JSON, and a buffer. */
final class GlbFacts implements MediaReader {

    private static final int HEADER = 12;
    private static final int CHUNK = 8;

    @Override
    public String container() {
        return "GLB";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "glTF");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        if (file.le32(4) != 2) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        long length = file.le32(HEADER);
        boolean begun = file.has(HEADER + 4, "JSON") && file.u8(HEADER + CHUNK) == '{';
        if (begun && file.le32(8) > file.length()) {
            return MediaFacts.none(container(), End.CUT);
        }
        if (!begun || length > GltfFacts.MOST_JSON || HEADER + CHUNK + length > file.length()) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        long next = HEADER + CHUNK + length;
        boolean binary = next + CHUNK <= file.length() && file.has(next + 4, "BIN\0");
        Optional<GltfModel> model = GltfModel.of(file.bytes(HEADER + CHUNK, (int) length));
        return new MediaFacts(container(), End.WHOLE, Optional.empty(), List.of(), List.of(),
                model.isEmpty() ? Optional.empty() : Optional.of(model.get().read(file, binary ? next + CHUNK : 0)));
    }
}
