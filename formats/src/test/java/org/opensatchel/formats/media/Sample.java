package org.opensatchel.formats.media;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.MediaReaders;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.media.MediaFacts.End;

/**
 * A file made for a test, with what is to be read of it.
 *
 * @param facts as {@link #said} writes them
 * @param borders places where it may be cut: behind each part of its structure
 */
record Sample(String name, byte[] bytes, String facts, List<Integer> borders) {

    static Sample of(String name, byte[] bytes, String facts) {
        return new Sample(name, bytes, facts, List.of());
    }

    Sample cutAt(List<Integer> places) {
        return new Sample(name, bytes, facts, List.copyOf(places));
    }

    /** How its colours are written, which {@link #said} leaves out. */
    static String colour(MediaFacts facts) {
        return facts.pictures().stream().findFirst().flatMap(MediaFacts.Picture::colour).orElse("-");
    }

    /** The facts on one line: what is absent is left out, what is usual too. */
    static String said(MediaFacts facts) {
        List<String> out = new ArrayList<>();
        out.add(facts.container());
        facts.pictures().forEach(picture -> {
            out.add(picture.codec() + " " + picture.width() + "x" + picture.height());
            if (!picture.pixelAspect().equals(Rational.ONE)) {
                out.add("pixels " + picture.pixelAspect());
            }
            if (picture.turned() != 0) {
                out.add("turned " + picture.turned());
            }
            picture.rate().ifPresent(rate -> out.add("rate " + rate));
            picture.constant().filter(constant -> !constant).ifPresent(constant -> out.add("varies"));
            picture.frames().ifPresent(frames -> out.add("frames " + frames));
            picture.bits().ifPresent(bits -> out.add("bits " + bits));
            picture.alpha().filter(alpha -> alpha).ifPresent(alpha -> out.add("alpha"));
        });
        facts.sounds().forEach(sound -> {
            out.add(sound.codec() + " " + sound.channels() + " at " + sound.rate());
            sound.bits().ifPresent(bits -> out.add("bits " + bits));
        });
        facts.content().ifPresent(content -> out.add(content(content)));
        facts.seconds().ifPresent(seconds -> out.add("seconds " + seconds));
        if (facts.end() != End.WHOLE) {
            out.add(facts.end().name());
        }
        return String.join(", ", out);
    }

    private static String content(MediaContent content) {
        if (content instanceof MediaContent.Cues cues) {
            return "cues " + cues.count();
        }
        if (content instanceof MediaContent.Font font) {
            return "“" + font.family().orElse("?") + "” “" + font.style().orElse("?") + "” glyphs " + font.glyphs().orElse(-1);
        }
        MediaContent.Model model = (MediaContent.Model) content;
        return "vertices " + model.vertices() + ", faces " + model.faces()
                + (model.textures() > 0 ? ", textures " + model.textures() + " to " + model.width() + "x" + model.height() : "");
    }

    Optional<MediaFacts> read() throws java.io.IOException {
        return MediaReaders.read(Bytes.of(bytes));
    }

    @Override
    public String toString() {
        return name;
    }
}
