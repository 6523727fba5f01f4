package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.REST;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.naming.NameVerdict;

/** Where a name goes wrong and what would be right, as facts. */
final class NameFault {

    private NameFault() {
    }

    static Facts of(String name, NameVerdict.Differs differs, Optional<String> right) {
        boolean early = differs.at() >= name.codePointCount(0, name.length());
        Optional<String> rest = early ? Optional.empty() : Optional.of(name.substring(name.offsetByCodePoints(0, differs.at())));
        return Facts.of(HOW, early ? "early" : "wrong").and(REST, rest).and(WHAT, differs.expected()).and(EXPECTED, right);
    }
}
