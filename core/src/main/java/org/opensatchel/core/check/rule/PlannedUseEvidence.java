package org.opensatchel.core.check.rule;

/** What was planned, and which files are used. */
public interface PlannedUseEvidence extends UseEvidence, PlanEvidence {
}
