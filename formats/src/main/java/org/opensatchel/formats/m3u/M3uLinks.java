package org.opensatchel.formats.m3u;

import java.io.IOException;
import java.net.URI;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.Lines;
import org.opensatchel.formats.text.TextDecoding;

/**
 * M3U playlists and HTTP Live Streaming ones (RFC 8216): a file a line, and the {@code URI} of tags. Lines are names as
 * they are in plain playlists, and URIs in streaming ones (section 4.1).
 */
final class M3uLinks implements LinkReader {

    private static final Pattern URI = Pattern.compile("[:,]\\s*URI=\"([^\"]*)\"");

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("m3u") || extension.equals("m3u8") || head.text().startsWith("#EXTM3U");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        TextDecoding.requireText(bytes);
        String text = TextDecoding.decode(bytes);
        Notation notation = text.contains("#EXT-X-") ? Notation.URI : Notation.PLAIN;
        Lines.each(text, (number, line) -> {
            if (line.startsWith("#EXT-X-")) {
                Matcher uri = URI.matcher(line);
                while (uri.find()) {
                    sink.add(new SourcePosition.InText(number, line.codePointCount(0, uri.start(1)) + 1), uri.group(1), Notation.URI);
                }
            } else if (!line.stripLeading().startsWith("#")) {
                String name = line.strip();
                int start = line.length() - line.stripLeading().length();
                sink.link(new SourcePosition.InText(number, line.codePointCount(0, start) + 1), name, notation).including().add();
            }
        });
    }
}
