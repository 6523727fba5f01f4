package org.opensatchel.core.check.brief;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Wording;

/** What of a brief could not be judged: each a few words. */
public enum BriefWording implements Wording {
    SIZE, SHAPE, TRANSPARENCY, FRAME_RATE, LENGTH, CODEC, SOUND, SAMPLE_RATE, CHANNELS, BITS, PEAKS, LOUDNESS;

    @Override
    public String key() {
        return Wording.key("brief", this);
    }

    @Override
    public Set<FactName> takes() {
        return Set.of();
    }
}
