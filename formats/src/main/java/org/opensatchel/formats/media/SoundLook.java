package org.opensatchel.formats.media;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.Samples;
import org.opensatchel.formats.sound.FlacDamaged;
import org.opensatchel.formats.sound.FlacDecoder;
import org.opensatchel.formats.sound.PcmDecoder;
import org.opensatchel.formats.sound.SoundLevels;
import org.opensatchel.formats.sound.SoundMeter;

/** The levels of a sound whose samples can be had: those that are stored as they are, and FLAC. Read as a stream, once. */
public final class SoundLook {

    private static final String FLAC = "FLAC";

    private SoundLook() {
    }

    /**
     * Measures a sound; what is damaged on the way is not measured, since nobody knows what is heard there.
     *
     * @param content the whole file, from its beginning
     * @param samples where samples lie that are stored as they are
     * @param most so many bytes are read at most
     * @param parts into so many the sound is cut for a drawing of it
     * @param loud whether loudness is asked for, too
     */
    public static Optional<SoundLevels> measure(InputStream content, MediaFacts media, Optional<Samples> samples, long most, int parts,
            boolean loud) throws IOException {
        boolean flac = media.container().equals(FLAC);
        if (!flac && samples.isEmpty() || media.sounds().isEmpty()) {
            return Optional.empty();
        }
        MediaFacts.Sound sound = media.sounds().get(0);
        if (sound.channels() < 1 || sound.rate() < 1) {
            return Optional.empty();
        }
        SoundMeter meter = new SoundMeter(sound.channels(), sound.rate(), loud, parts,
                media.seconds().map(seconds -> Math.round(seconds.value() * sound.rate())).orElse(0L));
        try {
            long moments = flac ? FlacDecoder.decode(content, most, meter) : stored(content, samples.get(), meter);
            return moments > 0 ? Optional.of(meter.levels()) : Optional.empty();
        } catch (FlacDamaged | EOFException damaged) {
            return Optional.empty();
        }
    }

    private static long stored(InputStream content, Samples samples, SoundMeter meter) throws IOException {
        int moment = samples.format().bytes() * samples.format().channels();
        long at = 0;
        long moments = 0;
        for (Samples.Run run : samples.runs()) {
            content.skipNBytes(run.at() - at);
            moments += PcmDecoder.decode(content, samples.format(), run.bytes(), meter);
            at = run.at() + run.bytes() - run.bytes() % moment;
        }
        return moments;
    }
}
