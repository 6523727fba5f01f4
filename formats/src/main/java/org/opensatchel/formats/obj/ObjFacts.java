package org.opensatchel.formats.obj;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaContent;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaReader;

/** OBJ: a line for each vertex ({@code v}) and each face ({@code f}); nothing tells where it should end. Of long ones nothing is counted. */
final class ObjFacts implements MediaReader {

    private static final int MOST_BYTES = 8 << 20;
    private static final int HEAD = 2_048;
    private static final Set<String> WORDS = Set.of("v", "vt", "vn", "vp", "f", "l", "p", "o", "g", "s", "usemtl", "mtllib", "cstype",
            "deg",
            "bmat", "step", "curv", "curv2", "surf", "parm", "trim", "hole", "scrv", "sp", "end", "con", "mg", "bevel", "c_interp",
            "d_interp",
            "lod", "shadow_obj", "trace_obj", "ctech", "stech", "maplib", "usemap");

    @Override
    public String container() {
        return "OBJ";
    }

    /** Every line at its beginning is a note, or begins with a word of the format; the last one may be cut. */
    @Override
    public boolean recognises(Window head) throws IOException {
        String text = new String(head.beginning(HEAD), StandardCharsets.ISO_8859_1);
        boolean any = false;
        String[] lines = text.split("[\\r\\n]+", -1);
        for (int i = 0; i < lines.length - 1 || i == 0; i++) {
            String line = lines[i].strip();
            if (!line.isEmpty() && !line.startsWith("#")) {
                if (!WORDS.contains(line.split("\\s", 2)[0])) {
                    return false;
                }
                any = true;
            }
        }
        return any || text.startsWith("#");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        if (file.length() > MOST_BYTES) {
            return MediaFacts.none(container(), End.OPEN);
        }
        byte[] bytes = file.bytes(0, (int) file.length());
        long vertices = 0;
        long faces = 0;
        boolean begins = true;
        for (int i = 0; i + 1 < bytes.length; i++) {
            byte c = bytes[i];
            boolean blank = bytes[i + 1] == ' ' || bytes[i + 1] == '\t';
            vertices += begins && blank && c == 'v' ? 1 : 0;
            faces += begins && blank && c == 'f' ? 1 : 0;
            begins = c == '\n' || c == '\r' || begins && (c == ' ' || c == '\t');
        }
        return new MediaFacts(container(), End.OPEN, Optional.empty(), List.of(), List.of(),
                Optional.of(new MediaContent.Model(vertices, faces, 0, 0, 0)));
    }
}
