package org.opensatchel.core.link.format;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.nio.charset.UnsupportedCharsetException;
import java.util.List;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.text.CssScan;
import org.opensatchel.core.link.text.LineIndex;
import org.opensatchel.core.link.text.TextDecoding;
import org.opensatchel.core.path.LinkText;
import org.opensatchel.core.path.Notation;

/** Style sheets (CSS Syntax Level 3). */
final class CssReader implements LinkReader {

    private static final String CHARSET_RULE = "@charset \"";

    @Override
    public String id() {
        return "css";
    }

    @Override
    public List<String> extensions() {
        return List.of("css");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("css");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        TextDecoding.requireText(bytes);
        String css = text(bytes);
        LineIndex lines = new LineIndex(css);
        new CssScan(css, (offset, url, alternatives) -> {
            LinkSink.Draft link = sink.link(lines.at(offset), url, Notation.WEB).alternatives(alternatives);
            // Another style sheet can only be imported.
            (LinkText.withoutQuery(url).endsWith(".css") ? link.including() : link).add();
        }).read();
    }

    private static String text(byte[] bytes) {
        String head = new String(bytes, 0, Math.min(bytes.length, 80), StandardCharsets.ISO_8859_1);
        int end = head.startsWith(CHARSET_RULE) ? head.indexOf('"', CHARSET_RULE.length()) : -1;
        if (end > 0) {
            try {
                return new String(bytes, Charset.forName(head.substring(CHARSET_RULE.length(), end)));
            } catch (IllegalCharsetNameException | UnsupportedCharsetException unknown) {
                return TextDecoding.decode(bytes);
            }
        }
        return TextDecoding.decode(bytes);
    }
}
