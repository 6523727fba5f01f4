package org.opensatchel.core.check.brief;

import static org.opensatchel.base.fact.FactName.ASKED;
import static org.opensatchel.base.fact.FactName.ASKED_LENGTH;
import static org.opensatchel.base.fact.FactName.LENGTH;
import static org.opensatchel.base.fact.FactName.VALUE;

import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.MediaRule.Pace;
import org.opensatchel.formats.binary.Rational;
import org.opensatchel.formats.media.MediaFacts;
import org.opensatchel.formats.media.MediaFacts.Picture;

/** How pictures follow one another, and how long it plays, against what is asked for. */
final class PaceJudge {

    private static final double SAME_RATE = 0.01;
    /** Coded sound fills its last block, and pictures their last moment: nobody asked for that. */
    private static final double FILLING = 0.05;

    private final Pace rule;
    private final Verdicts out;

    PaceJudge(Pace rule, Verdicts out) {
        this.rule = rule;
        this.out = out;
    }

    void rate(Picture picture) {
        rule.frameRate().ifPresent(asked -> {
            if (picture.rate().isEmpty()) {
                out.open(BriefWording.FRAME_RATE);
            } else if (Math.abs(picture.rate().get().value() - asked) > SAME_RATE) {
                out.differs(Code.MEDIA_FRAME_RATE, Facts.of(VALUE, rounded(picture.rate().get().value(), 1_000)).and(ASKED, asked));
            }
        });
        if (rule.isConstant()) {
            if (picture.constant().isEmpty()) {
                out.open(BriefWording.FRAME_RATE);
            } else if (!picture.constant().get()) {
                out.differs(Code.MEDIA_VARIABLE_RATE,
                        picture.rate().map(rate -> Facts.of(VALUE, rounded(rate.value(), 100))).orElse(Facts.NONE));
            }
        }
    }

    void length(MediaFacts media) {
        if (rule.minSeconds().isEmpty() && rule.maxSeconds().isEmpty()) {
            return;
        }
        Optional<Rational> seconds = media.seconds();
        if (seconds.isEmpty() || media.end() == MediaFacts.End.CUT) {
            if (seconds.isEmpty()) {
                out.open(BriefWording.LENGTH);
            }
            return;
        }
        double found = seconds.get().value();
        double spare = media.pictures().stream().flatMap(picture -> picture.rate().stream()).mapToDouble(rate -> 1 / rate.value())
                .filter(frame -> frame < 1).max().orElse(0);
        spare = Math.max(FILLING, spare) + 1e-6;
        if (rule.maxSeconds().isPresent() && found > rule.maxSeconds().getAsDouble() + spare) {
            out.differs(Code.MEDIA_TOO_LONG, Facts.of(LENGTH, rounded(found, 100)).and(ASKED_LENGTH, rule.maxSeconds().getAsDouble()));
        } else if (rule.minSeconds().isPresent() && found < rule.minSeconds().getAsDouble() - spare) {
            out.differs(Code.MEDIA_TOO_SHORT, Facts.of(LENGTH, rounded(found, 100)).and(ASKED_LENGTH, rule.minSeconds().getAsDouble()));
        }
    }

    static double rounded(double value, double steps) {
        return Math.round(value * steps) / steps;
    }
}
