package org.opensatchel.web.decision;

/** What a decision is about: a hand-in, with whose it is and for what. */
public record Subject(long assignment, long enrolment, long handIn) {}
