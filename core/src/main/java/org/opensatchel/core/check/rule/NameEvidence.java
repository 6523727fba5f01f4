package org.opensatchel.core.check.rule;

/** What is there and planned, and what the links name it. */
public interface NameEvidence extends PlanEvidence, LinkEvidence {
}
