package org.opensatchel.formats.webmanifest;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.json.JsonScan;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;

/** Manifests of web applications (W3C Web Application Manifest, sections 1.11 and 4 on image resources): their icons and screenshots. */
final class WebManifestLinks implements LinkReader {

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
