package org.opensatchel.core.check.brief;

import java.util.ArrayList;
import java.util.List;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;

/** What is being found while a file is held against its brief. */
final class Verdicts {

    private final List<Mismatch> mismatches = new ArrayList<>();
    private final List<BriefWording> open = new ArrayList<>();

    void differs(Code code, Facts facts) {
        mismatches.add(new Mismatch(code, facts));
    }

    /** What is asked for and cannot be told of this file. */
    void open(BriefWording what) {
        if (!open.contains(what)) {
            open.add(what);
        }
    }

    List<Mismatch> mismatches() {
        return mismatches;
    }

    List<BriefWording> unjudged() {
        return open;
    }
}
