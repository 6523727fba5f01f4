package org.opensatchel.core.project;

import java.util.Optional;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.core.finding.Code;

/**
 * Something about a package that has to be told.
 *
 * @param path the member concerned, from the source's top
 * @param what what is wrong with it, where its code does not say all there is to say
 */
public record PackageFault(Code code, String path, Optional<Phrase> what) {

    static PackageFault of(Code code, String path, Phrase what) {
        return new PackageFault(code, path, Optional.of(what));
    }

    /** A link to another place stands for a file. */
    static PackageFault shortcut(String path) {
        return new PackageFault(Code.PACKAGE_SHORTCUT, path, Optional.empty());
    }
}
