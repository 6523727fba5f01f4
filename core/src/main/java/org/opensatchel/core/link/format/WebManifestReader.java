package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.text.JsonScan;
import org.opensatchel.core.path.Notation;

/** Manifests of web applications (W3C Web Application Manifest, sections 1.11 and 4 on image resources): their icons and screenshots. */
final class WebManifestReader implements LinkReader {

    @Override
    public String id() {
        return "webmanifest";
    }

    @Override
    public List<String> extensions() {
        return List.of("webmanifest");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("webmanifest") || (extension.equals("json") && head.looksLikeJson() && head.text().contains("\"icons\"")
                && (head.text().contains("\"start_url\"") || head.text().contains("\"short_name\"")));
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        new JsonScan(Set.of(), object -> {
            List<String> pointer = object.pointer();
            boolean picture = pointer.size() > 1 && Set.of("icons", "screenshots").contains(pointer.get(pointer.size() - 2));
            if (picture && !object.text("src").isBlank()) {
                sink.add(object.place("src"), object.text("src"), Notation.WEB);
            }
        }).read(document.stream());
    }
}
