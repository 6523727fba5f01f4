package org.opensatchel.formats.edl;

import java.io.IOException;
import java.util.regex.Pattern;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.kind.FileKind;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.text.Lines;
import org.opensatchel.formats.text.TextDecoding;

/**
 * CMX 3600 edit decision lists (SMPTE ST 258 and the practice that grew around it): the comments that name a source file,
 * and those that name a clip where the name has a media extension. Reels and motion effects name no files.
 */
final class EdlLinks implements LinkReader {

    private static final Pattern EVENT = Pattern.compile(
            "(?m)^\\s*[0-9]{3,6}\\s+\\S+\\s+\\S+\\s+[A-Z0-9]+\\s+([0-9]{3}\\s+)?[0-9]{2}[:;.][0-9]{2}[:;.][0-9]{2}[:;.][0-9]{2,3}\\s");

    @Override
    public boolean recognises(String extension, Head head) {
        if (extension.equals("edl")) {
            return true;
        }
        boolean text = extension.isEmpty() || extension.equals("txt");
        return text && head.text().startsWith("TITLE:") && (head.mentions("\nFCM:") || EVENT.matcher(head.text()).find());
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        TextDecoding.requireText(bytes);
        Lines.each(TextDecoding.decode(bytes), (number, line) -> EdlComment.of(line).ifPresent(
                comment -> link(sink, new SourcePosition.InText(number, comment.column()), comment.isClipName(), comment.text())));
    }

    private static void link(LinkSink sink, SourcePosition at, boolean clip, String text) {
        String name = text.substring(Math.max(text.lastIndexOf('/'), text.lastIndexOf('\\')) + 1);
        boolean path = name.length() < text.length();
        int dot = name.lastIndexOf('.');
        boolean media = dot > 0 && sink.endings().kind(name.substring(dot + 1).toLowerCase(java.util.Locale.ROOT)) != FileKind.OTHER;
        if (media || (path && !clip)) {
            sink.link(at, text, Notation.PLAIN).standing(path ? Link.Standing.STATED : Link.Standing.NAMED).add();
        }
    }
}
