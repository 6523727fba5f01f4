package org.opensatchel.core.project;

import static org.opensatchel.base.fact.FactName.MOST;

import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.finding.Code;

/** What came of opening a source. */
public sealed interface Intake {

    /** It could be listed. */
    record Opened(SourceListing listing) implements Intake {}

    /** It cannot be checked at all. */
    record Blocked(Code code, Phrase what) implements Intake {}

    static Intake unreadable(Phrase what) {
        return new Blocked(Code.PACKAGE_UNREADABLE, what);
    }

    /** What is said of a folder that is not looked into. */
    static Phrase tooDeep(ReadLimits limits) {
        return PackageWording.TOO_DEEP.say(Facts.of(MOST, limits.depth()));
    }

    static Intake bomb(Phrase what) {
        return new Blocked(Code.PACKAGE_BOMB, what);
    }
}
