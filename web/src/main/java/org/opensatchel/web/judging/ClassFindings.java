package org.opensatchel.web.judging;

import java.util.List;

/**
 * What the class does wrong, by what it has in common.
 *
 * @param now in the hand-ins that count
 * @param first in the first hand-ins of those who handed in more than once
 * @param shared files that several miss in the same way
 */
public record ClassFindings(List<Line> now, List<Line> first, List<Shared> shared) {

    /** What one student does wrong in one way. */
    public record Line(long enrolment, String theme, String code, String severity, long findings) {}

    /** A file that several miss. */
    public record Shared(String theme, String subject, long students) {}
}
