package org.opensatchel.formats.mp4;

import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts.Picture;
import org.opensatchel.formats.media.MediaFacts.Sound;

/** A track of an MP4 or MOV file (ISO/IEC 14496-12, section 8). */
final class Mp4Track {

    private static final int MOST_EDITS = 10_000;
    private static final int MOST_TIMES = 2_000_000;
    private static final int MOST_OF_CHUNK = 100_000;
    private static final long UNKNOWN = 0xffffffffL;

    private final long id;
    private final long perSecond;
    private final Optional<Picture> still;
    private final Optional<Sound> sound;
    private Mp4Times times;
    private Rational seconds;
    private final long reaches;

    private Mp4Track(long id, long perSecond, Optional<Picture> still, Optional<Sound> sound, Mp4Times times, Rational seconds,
            long reaches) {
        this.id = id;
        this.perSecond = perSecond;
        this.still = still;
        this.sound = sound;
        this.times = times;
        this.seconds = seconds;
        this.reaches = reaches;
    }

    long id() {
        return id;
    }

    /** How many units of its own time are a second. */
    long perSecond() {
        return perSecond;
    }

    /** How long it is shown or heard, what is left out of it and what comes before it counted; empty where nobody says. */
    Optional<Rational> seconds() {
        return Optional.ofNullable(seconds);
    }

    /** Up to where the file has to go for it. */
    long reaches() {
        return reaches;
    }

    Optional<Sound> sound() {
        return sound;
    }

    Optional<Picture> picture() {
        return still.map(picture -> times.count() == 0 ? picture
                : new Picture(picture.codec(), picture.width(), picture.height(), picture.pixelAspect(), picture.turned(),
                        times.rate(perSecond), Optional.of(times.isConstant()), OptionalLong.of(times.count()), picture.bits(),
                        picture.alpha(), picture.colour()));
    }

    /** Of a movie in fragments: what they bring. */
    void brought(Mp4Times more) {
        times = more;
        if (perSecond > 0 && more.total() > 0) {
            seconds = new Rational(more.total(), perSecond);
        }
    }

    static Mp4Track read(Window file, Box track, long moviePerSecond) throws IOException {
        Optional<Box> media = track.find(file, "mdia");
        Optional<Box> header = media.isEmpty() ? media : media.get().find(file, "mdhd");
        Optional<Box> table = media.isEmpty() ? media : media.get().find(file, "minf", "stbl");
        if (header.isEmpty() || table.isEmpty()) {
            return new Mp4Track(0, 0, Optional.empty(), Optional.empty(), new Mp4Times(), null, 0);
        }
        boolean large = header.get().version(file) == 1;
        long perSecond = file.u32(header.get().body() + (large ? 20 : 12));
        long length = large ? file.u63(header.get().body() + 24) : file.u32(header.get().body() + 16);
        String kind = handler(file, media.get());
        Optional<Box> entry = Optional.empty();
        Optional<Box> described = table.get().find(file, "stsd");
        if (described.isPresent()) {
            entry = Box.at(file, described.get().body() + 8, described.get().end());
        }
        Shape shape = Shape.of(file, track);
        Optional<Picture> picture = kind.equals("vide") && entry.isPresent() ? Optional.of(Mp4Entries.picture(file, entry.get(), shape))
                : Optional.empty();
        Optional<Sound> sound = kind.equals("soun") && entry.isPresent() ? Optional.of(Mp4Entries.sound(file, entry.get(), perSecond))
                : Optional.empty();
        boolean counts = picture.isPresent() || sound.isPresent();
        Rational own = perSecond > 0 && length > 0 && length < (large ? Long.MAX_VALUE : UNKNOWN) ? new Rational(length, perSecond) : null;
        return new Mp4Track(shape.id, perSecond, picture, sound, times(file, table.get()),
                counts ? edited(file, track, moviePerSecond, own, perSecond) : null, counts ? reach(file, media.get(), table.get()) : 0);
    }

    private static String handler(Window file, Box media) throws IOException {
        Optional<Box> handler = media.find(file, "hdlr");
        return handler.isEmpty() ? "" : file.text(handler.get().body() + 8, 4);
    }

    /**
     * How a track lies on the screen (section 8.3.2).
     *
     * @param width of the track as it is shown, 0 for unknown
     */
    record Shape(long id, int turned, double width, double height) {

        private static final Map<String, Integer> TURNS = Map.of("0 1 -1 0", 90, "-1 0 0 -1", 180, "0 -1 1 0", 270);

        private static Shape of(Window file, Box track) throws IOException {
            Optional<Box> header = track.find(file, "tkhd");
            if (header.isEmpty()) {
                return new Shape(0, 0, 0, 0);
            }
            boolean large = header.get().version(file) == 1;
            long body = header.get().body();
            long matrix = body + (large ? 52 : 40);
            String turn = sign(file, matrix) + " " + sign(file, matrix + 4) + " " + sign(file, matrix + 12) + " " + sign(file, matrix + 16);
            return new Shape(file.u32(body + (large ? 20 : 12)), TURNS.getOrDefault(turn, 0), file.u32(matrix + 36) / 65_536.0,
                    file.u32(matrix + 40) / 65_536.0);
        }

        private static int sign(Window file, long at) throws IOException {
            return Integer.signum(file.i32(at));
        }
    }

    private static Mp4Times times(Window file, Box table) throws IOException {
        Mp4Times out = new Mp4Times();
        Optional<Box> box = table.find(file, "stts");
        if (box.isPresent()) {
            long entries = Math.min(file.u32(box.get().body() + 4), MOST_TIMES);
            for (long i = 0; i < entries && box.get().body() + 16 + i * 8 <= box.get().end(); i++) {
                long at = box.get().body() + 8 + i * 8;
                out.add(file.u32(at), file.u32(at + 4));
            }
        }
        return out;
    }

    /** What an edit list makes of a track's own length (section 8.6.6): empty edits put it off, others show a part of it. */
    private static Rational edited(Window file, Box track, long moviePerSecond, Rational own, long perSecond) throws IOException {
        Optional<Box> list = track.find(file, "edts", "elst");
        if (list.isEmpty() || moviePerSecond == 0) {
            return own;
        }
        boolean large = list.get().version(file) == 1;
        int size = large ? 20 : 12;
        long entries = Math.min(file.u32(list.get().body() + 4), MOST_EDITS);
        Rational sum = Rational.ZERO;
        boolean any = false;
        for (long i = 0; i < entries; i++) {
            long at = list.get().body() + 8 + i * size;
            long shown = large ? file.u63(at) : file.u32(at);
            long from = large ? file.u63(at + 8) : file.u32(at + 4);
            if (shown > 0 && shown < Long.MAX_VALUE) {
                sum = sum.plus(new Rational(shown, moviePerSecond));
                any = true;
            } else if (own != null && from < UNKNOWN && perSecond > 0) {
                // Nothing said: to the end.
                sum = sum.plus(own).plus(new Rational(-from, perSecond));
                any = true;
            }
        }
        return any ? sum : own;
    }

    /** Where the last of a track's samples ends, if they lie in this file (sections 8.7.2 to 8.7.5). */
    private static long reach(Window file, Box media, Box table) throws IOException {
        Optional<Box> here = media.find(file, "minf", "dinf", "dref");
        if (here.isPresent()) {
            Optional<Box> first = Box.at(file, here.get().body() + 8, here.get().end());
            if (first.isPresent() && (file.u8(first.get().body() + 3) & 1) == 0) {
                return 0;
            }
        }
        Optional<Box> narrow = table.find(file, "stco");
        Optional<Box> wide = table.find(file, "co64");
        Box places = narrow.or(() -> wide).orElse(null);
        if (places == null) {
            return 0;
        }
        long chunks = file.u32(places.body() + 4);
        int size = narrow.isPresent() ? 4 : 8;
        long last = places.body() + 8 + (chunks - 1) * size;
        if (chunks == 0 || last + size > places.end()) {
            return 0;
        }
        long at = narrow.isPresent() ? file.u32(last) : file.u63(last);
        return at + Math.min(Long.MAX_VALUE - at, ofLastChunk(file, table, chunks));
    }

    /** At least one byte; of pictures exactly how many. */
    private static long ofLastChunk(Window file, Box table, long chunks) throws IOException {
        Optional<Box> sizes = table.find(file, "stsz");
        Optional<Box> runs = table.find(file, "stsc");
        if (sizes.isEmpty() || runs.isEmpty() || file.u32(sizes.get().body() + 4) != 0) {
            return 1;
        }
        long samples = file.u32(sizes.get().body() + 8);
        long last = file.u32(runs.get().body() + 4);
        long run = runs.get().body() + 8 + (last - 1) * 12;
        if (last == 0 || run + 12 > runs.get().end() || file.u32(run) > chunks) {
            return 1;
        }
        long count = file.u32(run + 4);
        if (count > samples || count > MOST_OF_CHUNK || sizes.get().body() + 12 + samples * 4 > sizes.get().end()) {
            return 1;
        }
        long sum = 0;
        for (long i = samples - count; i < samples; i++) {
            sum += file.u32(sizes.get().body() + 12 + i * 4);
        }
        return Math.max(1, sum);
    }
}
