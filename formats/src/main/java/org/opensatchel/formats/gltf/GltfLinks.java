package org.opensatchel.formats.gltf;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Set;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.json.JsonScan;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;

/**
 * glTF 2.0 scenes (ISO/IEC 12113, sections 3.6 and 3.8) and those of glTF 1.0: the {@code uri} of buffers, images and
 * shaders, and of whatever an extension adds. What stands in {@code extras} is not read.
 */
final class GltfLinks implements LinkReader {

    private static final Set<String> HOLDERS = Set.of("buffers", "images", "shaders");

    @Override
    public boolean recognises(String extension, Head head) {
        if (extension.equals("gltf")) {
            return !head.looksLikeXml();
        }
        boolean foreign = extension.equals("html") || extension.equals("otio");
        return !foreign && head.looksLikeJson() && head.text().contains("\"asset\"") && head.text().contains("\"version\"")
                && (head.text().contains("\"scenes\"") || head.text().contains("\"nodes\"") || head.text().contains("\"meshes\"")
                        || head.text().contains("\"buffers\""));
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        readJson(document.stream(), sink);
    }

    static void readJson(InputStream json, LinkSink sink) throws IOException, Unreadable {
        new JsonScan(Set.of(), object -> {
            List<String> pointer = object.pointer();
            boolean holder = pointer.size() == 2 && HOLDERS.contains(pointer.get(0));
            if (object.get("uri") != null && !pointer.contains("extras") && (holder || pointer.contains("extensions"))) {
                sink.add(object.place("uri"), object.text("uri"), Notation.URI);
            }
        }).read(json);
    }
}
