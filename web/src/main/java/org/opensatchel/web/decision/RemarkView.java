package org.opensatchel.web.decision;

import java.time.Instant;
import java.util.Optional;
import org.opensatchel.core.judging.Judgement.Raised;

/**
 * A remark, for pages and other features.
 *
 * @param severity what it weighs as something to fix; absent for a remark alone
 * @param path the file it is about, empty for none
 */
public record RemarkView(long id, long handIn, Optional<String> severity, String path, String text, long madeBy, Instant madeAt) {

    Raised raised() {
        return new Raised(id, severity.orElseThrow(), path, text);
    }
}
