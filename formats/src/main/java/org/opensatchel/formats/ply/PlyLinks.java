package org.opensatchel.formats.ply;

import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.TextDecoding;

/** PLY models (the format's published description, 1994): textures named in comments of the header; of the rest nothing is read. */
final class PlyLinks implements LinkReader {

    private static final int LONGEST_HEADER = 1 << 20;
    private static final Pattern TEXTURE = Pattern.compile("^(?:comment|obj_info)\\s+(?i:TextureFile|texture)\\s*:?\\s+(.*?)\\s*$");

    @Override
    public boolean recognises(String extension, Head head) {
        return head.startsWith('p', 'l', 'y', '\n') || head.startsWith('p', 'l', 'y', '\r');
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        InputStream in = new BufferedInputStream(document.stream(), 1 << 13);
        ByteArrayOutputStream line = new ByteArrayOutputStream();
        int number = 1;
        int c = in.read();
        for (int read = 0; c >= 0; c = in.read(), read++) {
            if (read > LONGEST_HEADER) {
                throw Unreadable.broken(new SourcePosition.InText(number, 1), ReadWording.LONG_HEADER);
            }
            if (c != '\n' && c != '\r') {
                line.write(c);
                continue;
            }
            if (line.size() == 0) {
                continue;
            }
            String text = TextDecoding.decode(line.toByteArray());
            if (text.strip().equals("end_header")) {
                return;
            }
            Matcher texture = TEXTURE.matcher(text);
            if (text.length() < 10_000 && texture.find()) {
                sink.add(new SourcePosition.InText(number, text.codePointCount(0, texture.start(1)) + 1), texture.group(1), Notation.PLAIN);
            }
            line.reset();
            number++;
        }
        throw Unreadable.broken(new SourcePosition.InText(number, 1), ReadWording.HEADER_BREAKS_OFF);
    }
}
