package org.opensatchel.formats.otio;

import java.io.IOException;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.zip.PackageDocument;

/**
 * OpenTimelineIO bundles as one file: the timeline in {@code content.otio}, its media beside it. A bundle that is a folder needs no reader
 * of its own.
 */
final class OtiozLinks implements LinkReader {

    private static final String TIMELINE = "content.otio";

    @Override
    public boolean recognises(String extension, Head head) {
        return head.isZip() && (extension.equals("otioz") || head.isPackageWith(TIMELINE));
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        PackageDocument.open(document, sink, TIMELINE::equals, true).read(TIMELINE::equals, new OtioLinks());
    }
}
