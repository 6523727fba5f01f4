package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.TEXT;
import static org.opensatchel.base.fact.FactName.TYPES;

import java.util.Set;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Wording;

/** What a kit asks of a timeline, each in a few words. */
public enum TimelineWording implements Wording {
    TRACKS_LEAST(HOW, COUNT),
    TRACKS_MOST(HOW, COUNT),
    TRACK_NAMES(HOW, TYPES),
    NAME(PATTERN),
    STARTS_AT(TEXT),
    GAP(COUNT),
    CLIP(COUNT),
    OFFLINE;

    private final Set<FactName> takes;

    TimelineWording(FactName... takes) {
        this.takes = Facts.declared(takes);
    }

    @Override
    public String key() {
        return Wording.key("timeline-rule", this);
    }

    @Override
    public Set<FactName> takes() {
        return takes;
    }
}
