package org.opensatchel.formats.gltf;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/**
 * Binary glTF (ISO/IEC 12113, section 4.4), versions 2 and 1: only the JSON chunk at the beginning is read, however long
 * the file is.
 */
final class GlbLinks implements LinkReader {

    private static final int JSON_CHUNK = 0x4E4F534A;
    private static final long MAX_JSON = 64L << 20;

    @Override
    public boolean recognises(String extension, Head head) {
        return head.startsWith('g', 'l', 'T', 'F');
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        InputStream stream = document.stream();
        ByteBuffer header = ByteBuffer.wrap(stream.readNBytes(20)).order(ByteOrder.LITTLE_ENDIAN);
        if (header.limit() < 20) {
            throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.HEADER_BREAKS_OFF);
        }
        long length = header.getInt(12) & 0xFFFFFFFFL;
        int version = header.getInt(4);
        if (version == 2 && header.getInt(16) != JSON_CHUNK) {
            throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.NO_SCENE);
        }
        if (length > MAX_JSON) {
            throw Unreadable.tooLarge(MAX_JSON);
        }
        byte[] json = stream.readNBytes((int) length);
        GltfLinks.readJson(new ByteArrayInputStream(json), sink);
        if (json.length < length) {
            throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.SCENE_BREAKS_OFF);
        }
    }
}
