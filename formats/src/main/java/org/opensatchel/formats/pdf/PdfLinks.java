package org.opensatchel.formats.pdf;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageTree;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/**
 * PDF documents (ISO 32000-2): file specifications (7.11) of actions that open other files (12.6.4.3 to 12.6.4.6), of
 * media, forms' data and streams outside the file, and addresses of URI actions (12.6.4.8). A file that is
 * attached (7.11.4) lies in the document itself and is told as embedded.
 */
final class PdfLinks implements LinkReader {

    private static final int MAX_OBJECTS = 2_000_000;
    private static final Set<String> OPENING = Set.of("GoToR", "Launch", "ImportData", "GoToE", "Thread");

    @Override
    public boolean recognises(String extension, Head head) {
        return head.startsWith('%', 'P', 'D', 'F', '-') || (extension.equals("pdf") && head.text().contains("%PDF-"));
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        byte[] bytes = document.bytes();
        if (!new String(bytes, StandardCharsets.ISO_8859_1).contains(" obj")) {
            // Where there is no object at all, there is nothing that could name a file.
            return;
        }
        try (PDDocument pdf = Loader.loadPDF(bytes)) {
            COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
            COSDictionary uri = catalog.getCOSDictionary(COSName.getPDFName("URI"));
            Walk walk = new Walk(sink, uri == null || uri.getString("Base") == null ? "" : uri.getString("Base"), pdf.getPages());
            walk.visit(catalog);
        } catch (InvalidPasswordException locked) {
            throw new Unreadable(new ReadProblem(ReadProblem.Kind.ENCRYPTED, SourcePosition.WHOLE, ReadWording.ENCRYPTED.say()));
        } catch (IOException | RuntimeException broken) {
            throw Unreadable.broken(SourcePosition.WHOLE, ReadWording.NO_PDF);
        }
    }

    /** Goes through everything that is reached from the catalog, each object once. */
    private static final class Walk {
        /** Something on the way: the page it was reached from, and the key it stands under. */
        private record Step(COSBase item, String page, String key) {}

        private final LinkSink sink;
        private final String base;
        private final Map<COSBase, String> pages = new IdentityHashMap<>();
        private final Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        private int order;

        Walk(LinkSink sink, String base, PDPageTree tree) {
            this.sink = sink;
            this.base = base;
            for (PDPage page : tree) {
                pages.put(page.getCOSObject(), "page " + (pages.size() + 1));
            }
        }

        /** The pages one by one, then whatever else is reached. */
        void visit(COSDictionary catalog) {
            pages.entrySet().stream().sorted(Comparator.comparingInt(page -> Integer.parseInt(page.getValue().substring(5))))
                    .forEach(page -> visit(page.getKey(), page.getValue()));
            visit(catalog, "");
        }

        /** In the order of the document, without recursion: outlines are chains as long as a book. */
        private void visit(COSBase top, String page) {
            Deque<Step> open = new ArrayDeque<>(List.of(new Step(top, page, "")));
            while (!open.isEmpty() && seen.size() < MAX_OBJECTS) {
                Step step = open.pop();
                COSBase value = step.item instanceof COSObject reference ? reference.getObject() : step.item;
                boolean holds = value instanceof COSDictionary || value instanceof COSArray;
                boolean elsewhere = value != top && pages.containsKey(value);
                if (!holds || elsewhere || !seen.add(value)) {
                    continue;
                }
                List<Step> inner = new ArrayList<>();
                if (value instanceof COSArray array) {
                    array.forEach(item -> inner.add(new Step(item, page, step.key)));
                } else if (value instanceof COSDictionary dictionary) {
                    look(dictionary, page, step.key);
                    // The way back up would lead to other pages.
                    dictionary.keySet().stream().filter(key -> !key.equals(COSName.PARENT) && !key.equals(COSName.P))
                            .forEach(key -> inner.add(new Step(dictionary.getItem(key), page, key.getName())));
                }
                for (int i = inner.size() - 1; i >= 0; i--) {
                    open.push(inner.get(i));
                }
            }
        }

        private void look(COSDictionary dictionary, String page, String key) {
            String action = dictionary.getNameAsString(COSName.S, "");
            if (action.equals("URI") && dictionary.getString(COSName.URI) != null) {
                sink.add(place(page), dictionary.getString(COSName.URI).strip(), Notation.URI, base);
            }
            boolean stream = dictionary instanceof org.apache.pdfbox.cos.COSStream;
            COSBase file = dictionary.getDictionaryObject(COSName.F);
            if ((OPENING.contains(action) || stream) && file instanceof COSString name) {
                add(page, name.getString());
            }
            String type = dictionary.getNameAsString(COSName.TYPE, "");
            boolean specification = type.equals("Filespec") || type.equals("F")
                    || (dictionary.containsKey(COSName.UF) && dictionary.containsKey(COSName.F));
            // Of older ones only the place tells what they are: what an action or a stream has under F.
            boolean untyped = type.isEmpty() && key.equals("F")
                    && (dictionary.containsKey(COSName.F) || dictionary.containsKey(COSName.UF));
            if (specification || untyped) {
                specification(dictionary, page);
            }
        }

        private SourcePosition place(String page) {
            return new SourcePosition.InTree(page, ++order);
        }

        private void specification(COSDictionary dictionary, String page) {
            String unicode = dictionary.getString(COSName.UF);
            String plain = dictionary.getString(COSName.F);
            String name = unicode != null ? unicode : plain;
            if (name == null) {
                return;
            }
            if (dictionary.containsKey(COSName.EF)) {
                sink.link(place(page), name, Notation.PLAIN).standing(Link.Standing.ENCLOSED).add();
            } else if (dictionary.getNameAsString(COSName.FS, "").equals("URL")) {
                sink.add(place(page), name.strip(), Notation.URI);
            } else {
                add(page, name);
            }
        }

        /** A file specification writes a drive as the first folder (7.11.2.3): {@code /F/a.mov} is {@code F:/a.mov}. */
        private void add(String page, String name) {
            boolean drive = name.length() > 2 && name.charAt(0) == '/' && Character.isLetter(name.charAt(1)) && name.charAt(2) == '/';
            sink.link(place(page), name, Notation.PLAIN).reading(drive ? name.charAt(1) + ":" + name.substring(2) : name).add();
        }
    }
}
