package org.opensatchel.formats.font;

import java.io.IOException;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaReader;

/** WOFF2 (W3C WOFF File Format 2.0, section 4.1). What it says of itself is packed in a way nothing here unpacks; its length is not. */
final class Woff2Facts implements MediaReader {

    @Override
    public String container() {
        return "WOFF2";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        return head.has(0, "wOF2");
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        boolean begun = file.u16(12) > 0 && file.u32(16) > 0;
        return MediaFacts.none(container(), !begun ? End.UNREAD : file.u32(8) > file.length() ? End.CUT : End.WHOLE);
    }
}
