package org.opensatchel.core.judging;

import java.util.Comparator;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.core.report.Report.FindingLine;

/**
 * How an instructor overrules findings: they are waived, or weigh more or less.
 *
 * @param scope what it holds for; the narrower one wins, and of two that are as narrow the later
 * @param keys which findings of the code it is about, by {@link FindingKey}; empty for every one
 * @param severity {@code must}, {@code should} or {@code note}; absent where they are waived
 */
public record Ruling(long id, Scope scope, String code, Set<String> keys, Optional<String> severity, String reason) {

    /** What a ruling holds for, the widest first. */
    public enum Scope {
        ASSIGNMENT, STUDENT, HAND_IN
    }

    /** The one that counts most comes last. */
    static final Comparator<Ruling> BY_WEIGHT = Comparator.comparing(Ruling::scope).thenComparing(Ruling::id);

    public Ruling {
        keys = Set.copyOf(keys);
    }

    public boolean waives() {
        return severity.isEmpty();
    }

    boolean isAbout(FindingLine finding) {
        return finding.code().equals(code) && (keys.isEmpty() || keys.contains(FindingKey.of(finding)));
    }
}
