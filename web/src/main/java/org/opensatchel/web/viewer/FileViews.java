package org.opensatchel.web.viewer;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.project.Intake;
import org.opensatchel.core.project.RootChoice;
import org.opensatchel.core.project.RootFinder;
import org.opensatchel.core.project.SourceEntry;
import org.opensatchel.core.show.Passage;
import org.opensatchel.web.course.NotAccessible;
import org.opensatchel.web.handin.HandInProject;
import org.opensatchel.web.handin.HandInService.Shown;
import org.opensatchel.web.kit.KitService;
import org.opensatchel.web.kit.PublishedKit;
import org.opensatchel.web.storage.SatchelProperties;
import org.opensatchel.web.text.Speech;
import org.springframework.stereotype.Service;

/**
 * Files of hand-ins, to be looked at: texts as lines, pictures drawn anew and small, sounds as a line of peaks. Nothing of a student reaches a
 * browser in a form that it could run, and of nothing more is read than is shown.
 */
@Service
class FileViews {

    private static final int MOST_TEXT = 8 << 20;
    private static final int MOST_PICTURE = 64 << 20;
    private static final int MOST_SOUND = 256 << 20;
    private static final int LARGEST = 900;
    private static final int THUMB = 108;
    private static final int BUCKETS = 600;
    private static final int HEAD = 4_096;
    private static final double SILENCE = -90;

    private final HandInProject projects;
    private final KitService kits;
    private final SatchelProperties properties;
    private final SmallPictures pictures;

    FileViews(HandInProject projects, KitService kits, SatchelProperties properties, SmallPictures pictures) {
        this.pictures = pictures;
        this.projects = projects;
        this.kits = kits;
        this.properties = properties;
    }

    /**
     * A file, as it is shown.
     *
     * @param kind {@code text}, {@code picture}, {@code sound}, or {@code none} for what cannot be shown
     * @param active whether it would run something if it were opened: a page, or a drawing with scripts
     */
    record FileView(String kind, long bytes, Optional<Passage> passage, boolean active, Optional<Wave> wave, boolean cut) {}

    /**
     * A sound as one line.
     *
     * @param peaks from 0 to 1, one for each column
     * @param peakDb the highest peak in dBFS; not there for silence
     */
    record Wave(List<Double> peaks, Optional<Double> peakDb, double seconds, int channels, int rate) {

        public String peak() {
            return peakDb.map(db -> Speech.say("viewer.peak", tenths(db))).orElseGet(() -> Speech.say("viewer.silent"));
        }

        public String length() {
            return Speech.say("viewer.length", tenths(seconds), channels, rate);
        }

        private static BigDecimal tenths(double value) {
            return BigDecimal.valueOf(value).setScale(1, RoundingMode.HALF_UP);
        }

        /** One stitched line around the middle; measures in the units of a drawing 600 wide and 100 high. */
        public String line() {
            StringBuilder out = new StringBuilder();
            for (int i = 0; i < peaks.size(); i++) {
                long half = Math.round(peaks.get(i) * 48);
                out.append('M').append(i).append(' ').append(50 - half).append('V').append(50 + half + 1);
            }
            return out.toString();
        }
    }

    /** @throws NotAccessible when there is no such file in it */
    FileView view(Shown shown, String path, String at, String text) throws IOException {
        try (HandInProject.Opened opened = projects.open(shown)) {
            SourceEntry entry = entry(shown, opened, path);
            if (!opened.source().hasContent(entry)) {
                return none(entry);
            }
            byte[] head;
            try (InputStream content = opened.source().open(entry)) {
                head = content.readNBytes(HEAD);
            }
            if (isPicture(head)) {
                return new FileView("picture", entry.bytes(), Optional.empty(), false, Optional.empty(), false);
            }
            Optional<Wave> wave = entry.bytes() <= MOST_SOUND && isSound(head) ? wave(opened, entry) : Optional.empty();
            if (wave.isPresent()) {
                return new FileView("sound", entry.bytes(), Optional.empty(), false, wave, false);
            }
            if (!isText(head)) {
                return none(entry);
            }
            try (InputStream content = opened.source().open(entry)) {
                byte[] read = content.readNBytes(MOST_TEXT);
                String begins = new String(head, java.nio.charset.StandardCharsets.ISO_8859_1).toLowerCase(java.util.Locale.ROOT);
                boolean active = begins.contains("<html") || begins.contains("<svg") || begins.contains("<!doctype html")
                        || begins.contains("<script");
                return new FileView("text", entry.bytes(), Optional.of(Passage.of(read, at, text)), active, Optional.empty(),
                        entry.bytes() > MOST_TEXT);
            }
        }
    }

    private static FileView none(SourceEntry entry) {
        return new FileView("none", entry.bytes(), Optional.empty(), false, Optional.empty(), false);
    }

    private SourceEntry entry(Shown shown, HandInProject.Opened opened, String path) throws IOException {
        if (!(opened.source().list(properties.limits().read()) instanceof Intake.Opened listed)) {
            throw new NotAccessible();
        }
        Optional<Kit> kit = kits.current(shown.place().assignment()).map(PublishedKit::kit);
        RootChoice root = new RootFinder(kit, shown.place().student().fields(shown.place().assignment())).find(listed.listing());
        String wanted = root.prefix().isEmpty() ? path : root.prefix() + "/" + path;
        return listed.listing().files().stream().filter(file -> file.path().equals(wanted)).findFirst().orElseThrow(NotAccessible::new);
    }

    /**
     * A picture drawn anew, as PNG; empty for what is no picture, or too large to look at.
     *
     * @param small whether it stands in a list
     */
    Optional<byte[]> picture(Shown shown, String path, boolean small) throws IOException {
        try (HandInProject.Opened opened = projects.open(shown)) {
            SourceEntry entry = entry(shown, opened, path);
            if (entry.bytes() > MOST_PICTURE || !opened.source().hasContent(entry)) {
                return Optional.empty();
            }
            byte[] content;
            try (InputStream in = opened.source().open(entry)) {
                content = in.readNBytes(MOST_PICTURE);
            }
            return isPicture(content) ? pictures.drawn(content, small ? THUMB : LARGEST) : Optional.empty();
        }
    }

    private static Optional<Wave> wave(HandInProject.Opened opened, SourceEntry entry) throws IOException {
        try (InputStream content = opened.source().open(entry);
                AudioInputStream sound = AudioSystem.getAudioInputStream(new BufferedInputStream(content))) {
            AudioFormat format = sound.getFormat();
            boolean plain = format.getEncoding() == AudioFormat.Encoding.PCM_SIGNED && format.getSampleSizeInBits() % 8 == 0
                    && format.getSampleSizeInBits() <= 32 && format.getChannels() >= 1 && format.getChannels() <= 64
                    && format.getFrameSize() > 0;
            long frames = plain ? entry.bytes() / format.getFrameSize() : 0;
            return frames == 0 || format.getFrameRate() <= 0 ? Optional.empty() : Optional.of(measured(sound, format, frames));
        } catch (UnsupportedAudioFileException | IllegalArgumentException other) {
            return Optional.empty();
        }
    }

    private static Wave measured(AudioInputStream sound, AudioFormat format, long frames) throws IOException {
        double[] peaks = new double[BUCKETS];
        int frame = format.getFrameSize();
        int bytes = format.getSampleSizeInBits() / 8;
        double full = Math.pow(2, format.getSampleSizeInBits() - 1.0);
        byte[] block = new byte[frame * 8_192];
        long at = 0;
        for (int read = sound.readNBytes(block, 0, block.length); read >= frame; read = sound.readNBytes(block, 0, block.length)) {
            for (int from = 0; from + frame <= read; from += frame, at++) {
                int bucket = (int) Math.min(BUCKETS - 1, at * BUCKETS / frames);
                for (int sample = from; sample < from + frame; sample += bytes) {
                    peaks[bucket] = Math.max(peaks[bucket], Math.abs(sample(block, sample, bytes, format.isBigEndian())) / full);
                }
            }
        }
        double highest = IntStream.range(0, BUCKETS).mapToDouble(i -> peaks[i]).max().orElse(0);
        double db = 20 * Math.log10(Math.max(highest, 1e-9));
        return new Wave(IntStream.range(0, BUCKETS).mapToObj(i -> peaks[i]).toList(), db < SILENCE ? Optional.empty() : Optional.of(db),
                at / format.getFrameRate(), format.getChannels(), Math.round(format.getSampleRate()));
    }

    private static double sample(byte[] block, int from, int bytes, boolean bigEndian) {
        long value = 0;
        for (int i = 0; i < bytes; i++) {
            int at = bigEndian ? from + i : from + bytes - 1 - i;
            value = value << 8 | block[at] & 0xFF;
        }
        int shift = 64 - bytes * 8;
        return value << shift >> shift;
    }

    private static boolean isPicture(byte[] head) {
        return starts(head, 0x89, 'P', 'N', 'G') || starts(head, 0xFF, 0xD8, 0xFF) || starts(head, 'G', 'I', 'F', '8')
                || starts(head, 'B', 'M');
    }

    private static boolean isSound(byte[] head) {
        return starts(head, 'R', 'I', 'F', 'F') || starts(head, 'F', 'O', 'R', 'M');
    }

    private static boolean starts(byte[] head, int... bytes) {
        return head.length >= bytes.length && IntStream.range(0, bytes.length).allMatch(i -> (head[i] & 0xFF) == bytes[i]);
    }

    /** Texts have no zero bytes, but for those in two or four bytes a letter, which say so at their beginning. */
    private static boolean isText(byte[] head) {
        boolean marked = starts(head, 0xFF, 0xFE) || starts(head, 0xFE, 0xFF);
        return marked || IntStream.range(0, head.length).noneMatch(i -> head[i] == 0);
    }
}
