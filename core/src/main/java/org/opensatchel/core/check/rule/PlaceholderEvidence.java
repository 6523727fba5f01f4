package org.opensatchel.core.check.rule;

/** Files, and what stands in their place. */
public interface PlaceholderEvidence extends ContentEvidence {

    StandIns standIns();
}
