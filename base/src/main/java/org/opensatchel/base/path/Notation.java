package org.opensatchel.base.path;

/** How a format writes the names of files. */
public enum Notation {
    /** The name itself; a percent sign is a percent sign. */
    PLAIN,
    /** The name itself, in which backslashes separate folders as slashes do. */
    SLASHED,
    /** A URI reference (RFC 3986): percent-encoded, with a query and a fragment. */
    URI,
    /** A URI reference in a page or style sheet, where a leading slash means the root of the site. */
    WEB;

    public boolean isUri() {
        return this == URI || this == WEB;
    }
}
