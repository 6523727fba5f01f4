package org.opensatchel.formats.matroska;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.opensatchel.formats.binary.Window;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.media.Samples;
import org.opensatchel.formats.media.Samples.Run;
import org.opensatchel.formats.media.SoundCodecs;

/**
 * Where the samples of a Matroska file's first track of sound lie (RFC 9559, sections 5.1.3 and 10), where they are stored as they are: one
 * run for each block. Blocks that hold several pieces, and tracks that are packed once more, are let be.
 */
final class MatroskaSamples {

    private static final long NUMBER = 0xd7;
    private static final long BITS = 0x6264;
    private static final long PACKED = 0x6d80;
    private static final long CLUSTER = 0x1f43b675L;
    private static final long SIMPLE_BLOCK = 0xa3;
    private static final long GROUP = 0xa0;
    private static final long BLOCK = 0xa1;
    private static final int LACING = 6;
    private static final int MOST_RUNS = 500_000;

    private final Window file;
    private final List<Run> runs = new ArrayList<>();
    private long track = -1;
    private String codec = "";
    private int bits;
    private boolean plain = true;

    private MatroskaSamples(Window file) {
        this.file = file;
    }

    /** @param sound the first one of the file */
    static Optional<Samples> of(Window file, Element segment, Sound sound) throws IOException {
        MatroskaSamples samples = new MatroskaSamples(file);
        for (Element part : segment.children(file)) {
            if (part.id() == MatroskaFacts.TRACKS) {
                samples.tracks(part);
            } else if (part.id() == CLUSTER && samples.isWanted()) {
                samples.cluster(part);
            }
        }
        boolean whole = samples.plain && samples.bits > 0 && samples.bits % 8 == 0;
        return !whole ? Optional.empty()
                : SoundCodecs.samples(sound.codec(), samples.bits / 8, !samples.codec.endsWith("/BIG"), samples.bits == 8, sound,
                        samples.runs);
    }

    private boolean isWanted() {
        return plain && track >= 0 && codec.startsWith("A_PCM/") && runs.size() < MOST_RUNS;
    }

    private void tracks(Element tracks) throws IOException {
        for (Element one : tracks.children(file)) {
            if (one.id() == MatroskaFacts.TRACK && track < 0) {
                track(one);
            }
        }
    }

    private void track(Element entry) throws IOException {
        long number = -1;
        String coded = "";
        Element audio = null;
        boolean packed = false;
        for (Element one : entry.children(file)) {
            number = one.id() == NUMBER ? one.number(file) : number;
            coded = one.id() == MatroskaFacts.CODEC ? one.text(file) : coded;
            audio = one.id() == MatroskaFacts.AUDIO ? one : audio;
            packed |= one.id() == PACKED;
        }
        if (audio != null) {
            track = number;
            codec = coded;
            plain = !packed;
            for (Element one : audio.children(file)) {
                bits = one.id() == BITS ? (int) Math.min(1_024, one.number(file)) : bits;
            }
        }
    }

    private void cluster(Element cluster) throws IOException {
        plain &= !cluster.isOpen() && cluster.end() <= file.length();
        for (Element one : plain ? cluster.children(file) : List.<Element>of()) {
            if (one.id() == SIMPLE_BLOCK) {
                block(one);
            } else if (one.id() == GROUP) {
                for (Element inner : one.children(file)) {
                    if (inner.id() == BLOCK) {
                        block(inner);
                    }
                }
            }
        }
    }

    /** Which track it is of, two bytes of time and one of flags, and then what it holds. */
    private void block(Element block) throws IOException {
        int wide = Integer.numberOfLeadingZeros(file.u8(block.body()) << 24 | 1) + 1;
        long number = wide > 8 ? -1 : file.u8(block.body()) & 0xff >> wide;
        for (int i = 1; i < wide && wide <= 8; i++) {
            number = number << 8 | file.u8(block.body() + i);
        }
        long from = block.body() + wide + 3;
        if (number != track || from >= block.end()) {
            return;
        }
        plain &= (file.u8(from - 1) & LACING) == 0 && block.end() <= file.length() && runs.size() < MOST_RUNS;
        runs.add(new Run(from, block.end() - from));
    }
}
