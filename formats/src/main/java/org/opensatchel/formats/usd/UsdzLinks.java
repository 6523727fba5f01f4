package org.opensatchel.formats.usd;

import java.io.IOException;
import java.util.Locale;
import java.util.function.Predicate;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;
import org.opensatchel.formats.zip.PackageDocument;

/** USD packages ({@code usdz}, specification 1.3): the layers in them that are text. Binary layers are not read. */
final class UsdzLinks implements LinkReader {

    @Override
    public boolean recognises(String extension, Head head) {
        return extension.equals("usdz") && head.isZip();
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        Predicate<String> layer = name -> name.toLowerCase(Locale.ROOT).endsWith(".usda");
        PackageDocument.open(document, sink, layer, true).read(layer, new UsdaLinks());
    }
}
