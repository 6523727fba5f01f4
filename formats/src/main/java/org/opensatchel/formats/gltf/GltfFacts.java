package org.opensatchel.formats.gltf;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaReader;

/** glTF 2.0 as JSON (ISO/IEC 12113; Khronos glTF 2.0, section 3). */
final class GltfFacts implements MediaReader {

    static final int MOST_JSON = 4 << 20;

    @Override
    public String container() {
        return "glTF";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        int at = head.has(0, "\u00ef\u00bb\u00bf") ? 3 : 0;
        while (Character.isWhitespace(head.u8(at))) {
            at++;
        }
        // Of a long one nothing is counted.
        return head.u8(at) == '{' && (head.length() > MOST_JSON || GltfModel.of(head.bytes(0, (int) head.length())).isPresent());
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        if (file.length() > MOST_JSON) {
            return MediaFacts.none(container(), End.UNREAD);
        }
        Optional<GltfModel> model = GltfModel.of(file.bytes(0, (int) file.length()));
        return new MediaFacts(container(), End.WHOLE, Optional.empty(), List.of(), List.of(),
                model.isEmpty() ? Optional.empty() : Optional.of(model.get().read(file, 0)));
    }
}
