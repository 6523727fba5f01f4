package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.member.PackageDocument;

/**
 * OpenTimelineIO bundles as one file: the timeline in {@code content.otio}, its media beside it. A bundle that is a folder needs no reader
 * of its own.
 */
final class OtiozReader implements LinkReader {

    private static final String TIMELINE = "content.otio";

    @Override
    public String id() {
        return "otioz";
    }

    @Override
    public List<String> extensions() {
        return List.of("otioz");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return head.isZip() && (extension.equals("otioz") || head.isPackageWith(TIMELINE));
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        PackageDocument.open(document, sink, TIMELINE::equals, true).read(TIMELINE::equals, new OtioReader());
    }
}
