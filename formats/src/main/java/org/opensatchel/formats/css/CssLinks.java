package org.opensatchel.formats.css;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.nio.charset.UnsupportedCharsetException;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.LineIndex;
import org.opensatchel.formats.text.TextDecoding;

/** Style sheets (CSS Syntax Level 3). */
public final class CssLinks implements LinkReader {

    private static final String CHARSET_RULE = "@charset \"";

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
