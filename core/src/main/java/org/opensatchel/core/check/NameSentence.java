package org.opensatchel.core.check;

import java.util.Optional;
import org.opensatchel.core.naming.NameTest;

/** Says where a name goes wrong and what would be right. */
final class NameSentence {

    private NameSentence() {
    }

    static String of(String subject, String name, NameTest.Differs differs, Optional<String> right) {
        int length = name.codePointCount(0, name.length());
        String where;
        if (differs.at() >= length) {
            where = " ends too early: " + differs.expected() + " should follow.";
        } else {
            String rest = name.substring(name.offsetByCodePoints(0, differs.at()));
            where = " goes wrong at “" + rest + "”: here should stand " + differs.expected() + ".";
        }
        return subject + where + right.map(nearest -> " It should be “" + nearest + "”.").orElse("");
    }
}
