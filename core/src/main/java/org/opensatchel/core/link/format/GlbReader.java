package org.opensatchel.core.link.format;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import org.opensatchel.core.finding.Place;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.ReadWording;
import org.opensatchel.core.link.Unreadable;

/**
 * Binary glTF (ISO/IEC 12113, section 4.4), versions 2 and 1: only the JSON chunk at the beginning is read, however long
 * the file is.
 */
final class GlbReader implements LinkReader {

    private static final int JSON_CHUNK = 0x4E4F534A;
    private static final long MAX_JSON = 64L << 20;

    @Override
    public String id() {
        return "glb";
    }

    @Override
    public List<String> extensions() {
        return List.of("glb");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return head.startsWith('g', 'l', 'T', 'F');
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        InputStream stream = document.stream();
        ByteBuffer header = ByteBuffer.wrap(stream.readNBytes(20)).order(ByteOrder.LITTLE_ENDIAN);
        if (header.limit() < 20) {
            throw Unreadable.broken(Place.WHOLE, ReadWording.HEADER_BREAKS_OFF);
        }
        long length = header.getInt(12) & 0xFFFFFFFFL;
        int version = header.getInt(4);
        if (version == 2 && header.getInt(16) != JSON_CHUNK) {
            throw Unreadable.broken(Place.WHOLE, ReadWording.NO_SCENE);
        }
        if (length > MAX_JSON) {
            throw Unreadable.tooLarge(MAX_JSON);
        }
        byte[] json = stream.readNBytes((int) length);
        GltfReader.readJson(new ByteArrayInputStream(json), sink);
        if (json.length < length) {
            throw Unreadable.broken(Place.WHOLE, ReadWording.SCENE_BREAKS_OFF);
        }
    }
}
