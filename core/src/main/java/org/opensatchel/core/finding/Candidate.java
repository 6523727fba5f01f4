package org.opensatchel.core.finding;

import org.opensatchel.base.path.ProjectPath;

/**
 * A file that was probably meant.
 *
 * @param sure from 0 to 1
 */
public record Candidate(ProjectPath path, Reason reason, double sure) {}
