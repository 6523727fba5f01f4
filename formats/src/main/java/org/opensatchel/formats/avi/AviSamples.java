package org.opensatchel.formats.avi;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.Samples;
import org.opensatchel.formats.media.Samples.Run;
import org.opensatchel.formats.media.SoundCodecs;

/**
 * Where the samples of an AVI file's first track of sound lie, by the index at its end ({@code idx1}), where they are stored as they are. Of
 * longer files, which go on in a second form, the index says only the beginning: they are let be.
 */
final class AviSamples {

    private static final int MOST_CHUNKS = 10_000;
    private static final int MOST_LOOKED = 100_000;
    private static final int MOST_RUNS = 500_000;
    private static final int ENTRY = 16;
    private static final int SECOND_FORM = 12;

    private final Window file;
    private int looked;
    private int streams;
    private int number = -1;
    private long format;
    private long movie = -1;
    private long index = -1;
    private long indexBytes;

    private AviSamples(Window file) {
        this.file = file;
    }

    /** @param sound the first one of the file */
    static Optional<Samples> of(Window file, Sound sound) throws IOException {
        AviSamples samples = new AviSamples(file);
        long size = file.le32(4);
        boolean more = 8 + size + SECOND_FORM <= file.length() && file.has(8 + size + (size & 1), "RIFF");
        if (size == 0 || more) {
            return Optional.empty();
        }
        samples.chunks(12, Math.min(8 + size, file.length()), 0);
        int moment = samples.number < 0 ? 0 : file.le16(samples.format + 12);
        int bytes = sound.channels() < 1 ? 0 : moment / sound.channels();
        return bytes == 0 || samples.movie < 0 || samples.index < 0 ? Optional.empty()
                : SoundCodecs.samples(sound.codec(), bytes, true, bytes == 1, sound, samples.runs());
    }

    private void chunks(long from, long to, int depth) throws IOException {
        long at = from;
        for (int i = 0; i < MOST_CHUNKS && at + 12 <= to && looked++ < MOST_LOOKED; i++) {
            long size = file.le32(at + 4);
            if (file.has(at, "LIST") && file.has(at + 8, "movi")) {
                movie = at + 8;
            } else if (file.has(at, "LIST")) {
                if (depth < AviFacts.DEEPEST) {
                    chunks(at + 12, Math.min(at + 8 + size, to), depth + 1);
                }
            } else if (file.has(at, "idx1")) {
                index = at + 8;
                indexBytes = size;
            } else if (file.has(at, "strh")) {
                boolean first = number < 0 && file.has(at + 8, "auds");
                number = first ? streams : number;
                format = first ? at + 8 + size + (size & 1) + 8 : format;
                streams++;
            }
            at += 8 + size + (size & 1);
        }
    }

    /** Places are told from where the list of data begins, by some writers from where the file does. */
    private List<Run> runs() throws IOException {
        List<Run> out = new ArrayList<>();
        String name = String.format(Locale.ROOT, "%02dwb", number);
        long entries = Math.min(indexBytes, file.length() - index) / ENTRY;
        long base = -1;
        for (long i = 0; i < entries && out.size() < MOST_RUNS; i++) {
            long entry = index + i * ENTRY;
            if (!file.has(entry, name)) {
                continue;
            }
            long place = file.le32(entry + 8);
            if (base < 0) {
                base = file.has(movie + place, name) ? movie : 0;
            }
            long at = base + place;
            long bytes = file.le32(entry + 12);
            long after = out.isEmpty() ? 0 : out.get(out.size() - 1).at() + out.get(out.size() - 1).bytes();
            if (at + 8 < after || at + 8 > file.length() - bytes) {
                return List.of();
            }
            if (bytes > 0) {
                out.add(new Run(at + 8, bytes));
            }
        }
        return out.size() < MOST_RUNS ? out : List.of();
    }
}
