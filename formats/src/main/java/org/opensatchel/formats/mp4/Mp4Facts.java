package org.opensatchel.formats.mp4;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.End;
import org.opensatchel.formats.media.MediaReader;
import org.opensatchel.formats.media.Samples;

/**
 * MP4 (ISO/IEC 14496-12 and 14496-14), also in fragments, and the older MOV files (their file format of 2001). What describes the movie may
 * stand before its pictures or behind them: boxes are stepped over, their content is not read.
 */
final class Mp4Facts implements MediaReader {

    private static final Set<String> FIRST = Set.of("ftyp", "moov", "mdat", "styp", "moof", "sidx");
    /** What may stand before those; a text may begin with such a word too. */
    private static final Set<String> ROOM = Set.of("wide", "free", "skip", "pnot");
    /** Still pictures come in such boxes too (ISO/IEC 23008-12), without a movie. */
    private static final Set<String> STILLS = Set.of("heic", "heix", "heim", "heis", "hevc", "hevx", "mif1", "msf1", "avif", "avis",
            "jxl ");
    /** A box of these is missed when the file breaks off in it. */
    private static final Set<String> NEEDED = Set.of("mdat", "moov", "moof");
    private static final int MOST_BOXES = 50_000;
    private static final int MOST_TRACKS = 256;

    @Override
    public String container() {
        return "MP4";
    }

    @Override
    public boolean recognises(Window head) throws IOException {
        if (head.length() < 8) {
            return false;
        }
        String first = head.text(4, 4);
        if (first.equals("ftyp")) {
            return !STILLS.contains(head.text(8, 4));
        }
        Optional<Box> room = ROOM.contains(first) ? Box.at(head, 0, head.length()) : Optional.empty();
        return FIRST.contains(first)
                || room.isPresent() && room.get().end() + 8 <= head.length() && FIRST.contains(head.text(room.get().end() + 4, 4));
    }

    @Override
    public MediaFacts read(Window file) throws IOException {
        Top top = new Top();
        End end = top.walk(file);
        Optional<Box> movie = Box.first(top.boxes, "moov");
        if (movie.isEmpty() || movie.get().end() > file.length()) {
            return MediaFacts.none(name(file), end);
        }
        long perSecond = perSecond(file, movie.get());
        List<Mp4Track> tracks = new ArrayList<>();
        for (Box track : movie.get().children(file)) {
            if (track.type().equals("trak") && tracks.size() < MOST_TRACKS) {
                tracks.add(Mp4Track.read(file, track, perSecond));
            }
        }
        boolean parted = movie.get().find(file, "mvex").isPresent();
        if (parted) {
            Mp4Fragments.read(file, movie.get(), top.boxes, tracks);
        }
        return new MediaFacts(name(file), end == End.WHOLE ? end(file, top, parted, tracks) : end,
                seconds(file, movie.get(), perSecond, tracks),
                tracks.stream().flatMap(track -> track.picture().stream()).toList(),
                tracks.stream().flatMap(track -> track.sound().stream()).toList());
    }

    @Override
    public Optional<Samples> samples(Window file) throws IOException {
        Top top = new Top();
        top.walk(file);
        Optional<Box> movie = Box.first(top.boxes, "moov");
        if (movie.isEmpty() || movie.get().end() > file.length() || movie.get().find(file, "mvex").isPresent()) {
            return Optional.empty();
        }
        for (Box track : movie.get().children(file)) {
            if (track.type().equals("trak") && Mp4Samples.isSound(file, track)) {
                return Mp4Samples.of(file, track);
            }
        }
        return Optional.empty();
    }

    /** Whether all boxes that are there are all there are. Fragments may end with any, unless a table of them stands behind them. */
    private static End end(Window file, Top top, boolean parted, List<Mp4Track> tracks) {
        if (parted) {
            return top.has("mfra") ? End.WHOLE : End.OPEN;
        }
        return tracks.stream().anyMatch(track -> track.reaches() > file.length()) ? End.CUT : End.WHOLE;
    }

    private static String name(Window file) throws IOException {
        return file.has(4, "ftyp") && !file.has(8, "qt  ") || file.has(4, "styp") || file.has(4, "moof") ? "MP4" : "MOV";
    }

    /** The boxes of the file itself. */
    private static final class Top {
        private final List<Box> boxes = new ArrayList<>();

        End walk(Window file) throws IOException {
            long at = 0;
            Optional<Box> box = Box.at(file, at, file.length());
            while (box.isPresent() && boxes.size() < MOST_BOXES) {
                boxes.add(box.get());
                at = box.get().end();
                box = at >= file.length() ? Optional.empty() : Box.at(file, at, file.length());
            }
            if (at > file.length() && NEEDED.contains(boxes.get(boxes.size() - 1).type())) {
                return End.CUT;
            }
            if (boxes.size() >= MOST_BOXES) {
                return End.UNREAD;
            }
            if (has("moov")) {
                return End.WHOLE;
            }
            // Parts of a stream bring no description with them.
            return has("moof") ? End.OPEN : End.UNREAD;
        }

        private boolean has(String type) {
            return Box.first(boxes, type).isPresent();
        }
    }

    private static long perSecond(Window file, Box movie) throws IOException {
        Optional<Box> header = movie.find(file, "mvhd");
        return header.isEmpty() ? 0 : file.u32(header.get().body() + (header.get().version(file) == 1 ? 20 : 12));
    }

    private static Optional<Rational> seconds(Window file, Box movie, long perSecond, List<Mp4Track> tracks) throws IOException {
        Optional<Rational> longest = tracks.stream().flatMap(track -> track.seconds().stream()).max(Rational::compareTo);
        Optional<Box> header = movie.find(file, "mvhd");
        if (longest.filter(time -> time.over() > 0).isPresent() || header.isEmpty() || perSecond == 0) {
            return longest;
        }
        boolean large = header.get().version(file) == 1;
        long length = large ? file.u63(header.get().body() + 24) : file.u32(header.get().body() + 16);
        return length == 0 || length == Long.MAX_VALUE || !large && length == 0xffffffffL ? longest
                : Optional.of(new Rational(length, perSecond));
    }
}
