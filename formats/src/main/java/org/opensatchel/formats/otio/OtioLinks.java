package org.opensatchel.formats.otio;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.base.path.Notation;
import org.opensatchel.formats.json.JsonScan;
import org.opensatchel.formats.link.DocumentContent;
import org.opensatchel.formats.link.Head;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkReader;
import org.opensatchel.formats.link.LinkSink;
import org.opensatchel.formats.link.Unreadable;

/**
 * OpenTimelineIO timelines, JSON serialisation, of every schema version (a clip with one media reference or with several).
 * Links are the {@code target_url} of external references and the parts of image sequence references, wherever they stand;
 * what stands in metadata is not read.
 */
final class OtioLinks implements LinkReader {

    private static final int MAX_DIGITS = 20;

    @Override
    public boolean recognises(String extension, Head head) {
        return head.looksLikeJson() ? head.text().contains("\"OTIO_SCHEMA\"") || extension.equals("otio")
                : extension.equals("otio");
    }

    @Override
    public void read(DocumentContent document, LinkSink sink) throws IOException, Unreadable {
        References references = new References(sink);
        try {
            new JsonScan(Set.of("available_range", "duration", "start_time"), references::take).read(document.stream());
        } finally {
            references.addOpen();
        }
    }

    /** References to media; those of one clip are held until the clip says which of them it uses. */
    private static final class References {
        private static final String SEVERAL = "media_references";
        private static final String USUAL = "DEFAULT_MEDIA";

        private final LinkSink sink;
        private final Map<List<String>, Map<String, LinkSink.Draft>> open = new LinkedHashMap<>();

        References(LinkSink sink) {
            this.sink = sink;
        }

        void take(JsonScan.Obj object) {
            List<String> pointer = open.isEmpty() ? List.of() : object.pointer();
            Map<String, LinkSink.Draft> ended = open.remove(pointer);
            if (ended != null) {
                String used = object.text("active_media_reference_key");
                add(ended, String.join("/", pointer), used.isEmpty() ? USUAL : used);
            }
            reference(object, this::external, sink);
        }

        private void external(JsonScan.Obj object) {
            List<String> pointer = object.pointer();
            LinkSink.Draft link = sink.link(object.place("target_url"), object.text("target_url"), Notation.URI);
            int last = pointer.size() - 1;
            if (last > 0 && pointer.get(last - 1).equals(SEVERAL)) {
                open.computeIfAbsent(pointer.subList(0, last - 1), clip -> new LinkedHashMap<>()).put(pointer.get(last), link);
            } else {
                link.add();
            }
        }

        /** Adds those of clips that never ended, since the document breaks off. */
        void addOpen() {
            open.forEach((clip, links) -> add(links, String.join("/", clip), USUAL));
            open.clear();
        }

        private static void add(Map<String, LinkSink.Draft> links, String clip, String used) {
            links.forEach((key, link) -> (key.equals(used) ? link.inUse(clip) : link.alternatives(clip)).add());
        }
    }

    private interface External {
        void take(JsonScan.Obj object);
    }

    private static void reference(JsonScan.Obj object, External external, LinkSink sink) {
        String schema = object.text("OTIO_SCHEMA");
        boolean names = schema.startsWith("ExternalReference.") || schema.startsWith("ImageSequenceReference.");
        if (!names || object.pointer().contains("metadata")) {
            return;
        }
        if (schema.startsWith("ExternalReference.")) {
            external.take(object);
        } else {
            sequence(object, sink);
        }
    }

    private static void sequence(JsonScan.Obj object, LinkSink sink) {
        String base = object.text("target_url_base");
        if (base.isEmpty() && object.text("name_prefix").isEmpty() && object.text("name_suffix").isEmpty()) {
            return;
        }
        String folder = base.isEmpty() || base.endsWith("/") || base.endsWith("\\") ? base : base + "/";
        String text = folder + object.text("name_prefix") + Link.FRAME_MARK + object.text("name_suffix");
        sink.addSequence(object.place(base.isEmpty() ? "name_prefix" : "target_url_base"), text, Notation.URI, frames(object));
    }

    private static Link.Frames frames(JsonScan.Obj object) {
        long first = (long) number(object.text("start_frame"), 1);
        long step = Math.max(1, (long) number(object.text("frame_step"), 1));
        double frames = number(object.text("available_range.duration.value"), 1);
        double rate = number(object.text("available_range.duration.rate"), 0);
        double ownRate = number(object.text("rate"), 0);
        if (rate > 0 && ownRate > 0) {
            frames = frames * ownRate / rate;
        }
        long count = Math.max(1, Math.round(frames / step));
        int digits = (int) Math.min(MAX_DIGITS, Math.max(0, number(object.text("frame_zero_padding"), 0)));
        return new Link.Frames(first, first + (count - 1) * step, step, digits);
    }

    private static double number(String text, double otherwise) {
        try {
            double value = text.isEmpty() ? otherwise : Double.parseDouble(text);
            return Math.abs(value) < 1e12 ? value : otherwise;
        } catch (NumberFormatException noNumber) {
            return otherwise;
        }
    }
}
