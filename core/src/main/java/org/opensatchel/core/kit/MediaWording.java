package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HIGH;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.LOW;
import static org.opensatchel.base.fact.FactName.TYPE;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.VALUE;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What a brief asks for, each in a few words. Reports name some of them since before there were others, under the keys they have. */
public enum MediaWording implements Wording {
    SIZE(FactName.WIDTH, FactName.HEIGHT),
    WIDTH(COUNT),
    HEIGHT(COUNT),
    ASPECT(TYPE),
    PIXELS_LEAST(COUNT),
    PIXELS_MOST(COUNT),
    MULTIPLE_OF(COUNT),
    ALPHA(HOW),
    FRAME_RATE(VALUE),
    CONSTANT_RATE,
    SECONDS_LEAST(VALUE),
    SECONDS_MOST(VALUE),
    CODECS(TYPES),
    BITS(COUNT),
    SOUND(HOW),
    SAMPLE_RATE(COUNT),
    CHANNELS(COUNT),
    PEAK(LOW, HIGH),
    LOUDNESS(LOW, HIGH);

    private final Set<FactName> takes;

    MediaWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("change", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
