package org.opensatchel.core.link.format;

import java.io.IOException;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import org.opensatchel.core.link.DocumentContent;
import org.opensatchel.core.link.Head;
import org.opensatchel.core.link.LinkReader;
import org.opensatchel.core.link.LinkSink;
import org.opensatchel.core.link.Unreadable;
import org.opensatchel.core.link.member.PackageDocument;

/** USD packages ({@code usdz}, specification 1.3): the layers in them that are text. Binary layers are not read. */
final class UsdzReader implements LinkReader {

    @Override
    public String id() {
        return "usdz";
    }

    @Override
    public List<String> extensions() {
        return List.of("usdz");
    }

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("usdz") && head.isZip();
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        Predicate<String> layer = name -> name.toLowerCase(Locale.ROOT).endsWith(".usda");
        PackageDocument.open(document, sink, layer, true).read(layer, new UsdaReader());
    }
}
