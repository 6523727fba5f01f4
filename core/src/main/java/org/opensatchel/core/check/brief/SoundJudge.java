package org.opensatchel.core.check.brief;

import static org.opensatchel.base.fact.FactName.ASKED_COUNT;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HIGH;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LOW;
import static org.opensatchel.base.fact.FactName.VALUE;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.MediaRule.Band;
import org.opensatchel.core.kit.MediaRule.Hearing;
import org.opensatchel.formats.media.MediaFacts.Sound;
import org.opensatchel.formats.sound.SoundLevels;

/** What is heard, against what is asked for. */
final class SoundJudge {

    /** Steps of samples and of meters: who sets a level of -3 may measure -2.95. */
    private static final double SAME_LEVEL = 0.1;

    private final Hearing rule;
    private final Verdicts out;

    SoundJudge(Hearing rule, Verdicts out) {
        this.rule = rule;
        this.out = out;
    }

    /** Of what has no sound. */
    void none(boolean isSpecific) {
        boolean implied = isSpecific && (rule.needsSamples() || rule.channels().isPresent() || rule.rate().isPresent());
        if (rule.wanted().orElse(implied)) {
            out.differs(Code.MEDIA_SILENT, Facts.of(HOW, "no-track"));
        }
    }

    /** @param levels absent where they could not be measured, or did not have to be */
    void judge(List<Sound> tracks, Optional<SoundLevels> levels, boolean isWhole) {
        boolean silent = levels.filter(SoundLevels::isSilent).isPresent();
        if (!rule.wanted().orElse(true)) {
            if (!silent) {
                out.differs(Code.MEDIA_SOUND, Facts.NONE);
            }
            return;
        }
        rate(tracks);
        channels(tracks);
        if (silent && isWhole) {
            out.differs(Code.MEDIA_SILENT, Facts.of(HOW, "silence"));
        } else if (rule.needsSamples() && isWhole) {
            levels(levels);
        }
    }

    private void rate(List<Sound> tracks) {
        rule.rate().ifPresent(asked -> {
            Optional<Sound> other = tracks.stream().filter(track -> track.rate() > 0 && track.rate() != asked).findFirst();
            if (other.isPresent()) {
                out.differs(Code.MEDIA_SAMPLE_RATE, Facts.of(COUNT, other.get().rate()).and(ASKED_COUNT, asked));
            } else if (tracks.stream().anyMatch(track -> track.rate() <= 0)) {
                out.open(BriefWording.SAMPLE_RATE);
            }
        });
    }

    /** Channels may stand in one track, or each in its own. */
    private void channels(List<Sound> tracks) {
        rule.channels().ifPresent(asked -> {
            int all = tracks.stream().mapToInt(Sound::channels).sum();
            if (tracks.stream().allMatch(track -> track.channels() <= 0)) {
                out.open(BriefWording.CHANNELS);
            } else if (all != asked && tracks.stream().noneMatch(track -> track.channels() == asked)) {
                out.differs(Code.MEDIA_CHANNELS, Facts.of(COUNT, tracks.get(0).channels()).and(ASKED_COUNT, asked));
            }
        });
    }

    private void levels(Optional<SoundLevels> measured) {
        rule.peakDb().ifPresent(band -> {
            if (measured.isEmpty()) {
                out.open(BriefWording.PEAKS);
            } else {
                peak(band, measured.get());
            }
        });
        rule.loudness().ifPresent(band -> {
            if (measured.isEmpty() || measured.get().loudness().isEmpty()) {
                out.open(BriefWording.LOUDNESS);
            } else {
                double found = measured.get().loudness().getAsDouble();
                if (isAbove(found, band) || isBelow(found, band)) {
                    out.differs(Code.MEDIA_LOUDNESS, asked(found, band).and(HOW, isAbove(found, band) ? "high" : "low"));
                }
            }
        });
    }

    private void peak(Band band, SoundLevels levels) {
        if (levels.clipped() > 0) {
            out.differs(Code.MEDIA_CLIPPING, Facts.of(COUNT, levels.clipped()));
        }
        if (isAbove(levels.peakDb(), band)) {
            out.differs(Code.MEDIA_PEAK_HIGH, asked(levels.peakDb(), band));
        } else if (isBelow(levels.peakDb(), band)) {
            out.differs(Code.MEDIA_PEAK_LOW, asked(levels.peakDb(), band));
        }
    }

    private static Facts asked(double found, Band band) {
        // No step of a meter below zero is written with a sign.
        return Facts.of(VALUE, PaceJudge.rounded(found, 10) + 0.0).and(LOW, band.low()).and(HIGH, band.high());
    }

    private static boolean isAbove(double level, Band band) {
        return level > band.high() + SAME_LEVEL;
    }

    private static boolean isBelow(double level, Band band) {
        return level < band.low() - SAME_LEVEL;
    }
}
