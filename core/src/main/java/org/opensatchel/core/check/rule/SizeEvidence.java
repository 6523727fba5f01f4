package org.opensatchel.core.check.rule;

/** How large files are, and which folder of the plan they lie in. */
public interface SizeEvidence extends ContentEvidence, PlanEvidence {
}
