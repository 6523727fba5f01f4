package org.opensatchel.core.roster;

import org.opensatchel.base.path.NameFolding;
import org.opensatchel.core.naming.FileNameForm;

/** A name as the plainest of systems would write it: small letters and digits without accents, {@code ø} as {@code o}. */
final class PlainName {

    private PlainName() {
    }

    static String of(String name) {
        String ascii = NameFolding.loose(FileNameForm.of(name, true));
        String loose = NameFolding.loose(name);
        // Of a name in another script nothing would be left, and nothings are all alike.
        return ascii.length() * 2 < loose.length() ? loose : ascii;
    }
}
