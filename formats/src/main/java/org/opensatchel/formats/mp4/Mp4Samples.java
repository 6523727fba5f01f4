package org.opensatchel.formats.mp4;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.Samples;
import org.opensatchel.formats.media.Samples.Run;
import org.opensatchel.formats.media.SoundCodecs;

/**
 * Where the samples of a track lie that are stored as they are: chunks between those of other tracks (ISO/IEC 14496-12, sections 8.7.3 to
 * 8.7.5; ISO/IEC 23003-5 for what is in the samples).
 */
final class Mp4Samples {

    private static final int MOST_CHUNKS = 400_000;
    private static final int MOST_SIZES = 4_000_000;
    private static final Set<String> ISO = Set.of("ipcm", "fpcm");

    private final Window file;
    private final Box table;
    private final Box entry;

    private Mp4Samples(Window file, Box table, Box entry) {
        this.file = file;
        this.table = table;
        this.entry = entry;
    }

    static boolean isSound(Window file, Box track) throws IOException {
        Optional<Box> handler = track.find(file, "mdia", "hdlr");
        return handler.isPresent() && file.has(handler.get().body() + 8, "soun");
    }

    static Optional<Samples> of(Window file, Box track) throws IOException {
        Optional<Box> table = track.find(file, "mdia", "minf", "stbl");
        Optional<Box> header = track.find(file, "mdia", "mdhd");
        Optional<Box> described = table.isEmpty() ? table : table.get().find(file, "stsd");
        if (described.isEmpty() || header.isEmpty() || file.u32(described.get().body() + 4) != 1) {
            return Optional.empty();
        }
        Optional<Box> entry = Box.at(file, described.get().body() + 8, described.get().end());
        if (entry.isEmpty()) {
            return Optional.empty();
        }
        long perSecond = file.u32(header.get().body() + (header.get().version(file) == 1 ? 20 : 12));
        return new Mp4Samples(file, table.get(), entry.get()).read(Mp4Entries.sound(file, entry.get(), perSecond));
    }

    private Optional<Samples> read(Sound sound) throws IOException {
        int bits = sound.bits().orElse(0);
        if (!SoundCodecs.isPlain(sound.codec()) || bits % 8 != 0 || bits == 0) {
            return Optional.empty();
        }
        int bytes = bits / 8;
        List<Run> runs = runs(bytes * sound.channels());
        return SoundCodecs.samples(sound.codec(), bytes, isLittle(), entry.type().equals("raw "), sound, runs);
    }

    private boolean isLittle() throws IOException {
        long at = entry.at();
        int version = file.u16(at + 16);
        if (version == 2) {
            return (file.u32(at + 60) & 2) == 0;
        }
        List<Box> inside = Box.between(file, at + (version == 1 ? 52 : 36), entry.end());
        Optional<Box> told = Box.first(inside, "pcmC");
        if (told.isPresent()) {
            return (file.u8(told.get().body() + 4) & 1) != 0;
        }
        Optional<Box> wave = Box.first(inside, "wave");
        Optional<Box> order = wave.isEmpty() ? Box.first(inside, "enda") : wave.get().find(file, "enda");
        return entry.type().equals("sowt") || order.isPresent() && file.u16(order.get().body()) == 1;
    }

    /** One for each chunk, those that meet in one; none where they do not come one after the other, or are too many to be told. */
    private List<Run> runs(int moment) throws IOException {
        Optional<Box> narrow = table.find(file, "stco");
        Optional<Box> places = narrow.isPresent() ? narrow : table.find(file, "co64");
        Optional<Box> sizes = table.find(file, "stsz");
        Optional<Box> groups = table.find(file, "stsc");
        if (places.isEmpty() || sizes.isEmpty() || groups.isEmpty()) {
            return List.of();
        }
        long chunks = file.u32(places.get().body() + 4);
        int wide = narrow.isPresent() ? 4 : 8;
        if (chunks > MOST_CHUNKS || places.get().body() + 8 + chunks * wide > places.get().end()) {
            return List.of();
        }
        Sizes each = new Sizes(sizes.get(), moment);
        Groups in = new Groups(groups.get());
        List<Run> out = new ArrayList<>();
        for (long i = 0; i < chunks; i++) {
            long place = places.get().body() + 8 + i * wide;
            long at = narrow.isPresent() ? file.u32(place) : file.u63(place);
            long bytes = each.of(in.samples(i + 1));
            Run last = out.isEmpty() ? new Run(0, 0) : out.get(out.size() - 1);
            long after = last.at() + last.bytes();
            if (bytes < 0 || at < after || at > file.length() - bytes) {
                return List.of();
            }
            if (at == after && !out.isEmpty()) {
                out.set(out.size() - 1, new Run(last.at(), last.bytes() + bytes));
            } else if (bytes > 0) {
                out.add(new Run(at, bytes));
            }
        }
        return out;
    }

    /** How many bytes so many samples have, from the first on. */
    private final class Sizes {
        private final Box box;
        private final long same;
        private long next;

        /** @param moment bytes of all channels at one time, which older files count as one sample of one byte */
        Sizes(Box box, int moment) throws IOException {
            this.box = box;
            long said = file.u32(box.body() + 4);
            this.same = said == 1 && !ISO.contains(entry.type()) ? moment : said;
        }

        /** Less than zero where they are not told. */
        long of(long samples) throws IOException {
            if (same > 0) {
                return samples > Integer.MAX_VALUE ? -1 : same * samples;
            }
            if (next + samples > MOST_SIZES || box.body() + 12 + (next + samples) * 4 > box.end()) {
                return -1;
            }
            long sum = 0;
            for (long i = 0; i < samples; i++) {
                sum += file.u32(box.body() + 12 + (next + i) * 4);
            }
            next += samples;
            return sum;
        }
    }

    /** How many samples are in a chunk; asked for one after the other. */
    private final class Groups {
        private final Box box;
        private final long count;
        private long at;

        Groups(Box box) throws IOException {
            this.box = box;
            this.count = Math.min(file.u32(box.body() + 4), (box.end() - box.body() - 8) / 12);
        }

        long samples(long chunk) throws IOException {
            while (at + 1 < count && file.u32(box.body() + 8 + (at + 1) * 12) <= chunk) {
                at++;
            }
            return count == 0 ? 0 : file.u32(box.body() + 8 + at * 12 + 4);
        }
    }
}
