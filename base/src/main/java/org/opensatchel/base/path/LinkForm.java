package org.opensatchel.base.path;

import java.util.Locale;

/** How a link is written, told from its text alone. */
public enum LinkForm {
    /** {@code footage/a.mp4}, from the document. */
    RELATIVE,
    /** {@code /img/a.png} in a web page: from the root of the site. */
    ROOTED,
    /** {@code F:\a}, {@code F:/a}, {@code F:a}. */
    DRIVE,
    /** {@code \\server\share\a}. */
    UNC,
    /** {@code /Users/…}, {@code /home/…} and every other absolute path of a POSIX system. */
    POSIX,
    /** A removable or extra disk: {@code /Volumes/NAME/…}, {@code /media/USER/NAME/…}, {@code /mnt/NAME/…}. */
    VOLUME,
    /** {@code ~/…}. */
    HOME,
    /** {@code $V/…}, {@code ${V}/…}, {@code %V%\…}. */
    VARIABLE,
    /** {@code https://…} and other network schemes. */
    REMOTE,
    /** {@code data:…}, or a member of the same package. */
    EMBEDDED;

    /** The word used in reports. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether the text names a place on one machine, so that the link opens there only. */
    public boolean isAbsolute() {
        return this == DRIVE || this == UNC || this == POSIX || this == VOLUME || this == HOME;
    }
}
