package org.opensatchel.core.lint;

import java.util.Locale;
import org.opensatchel.core.finding.Severity;

/** What can be wrong with a kit before it goes out. A {@code must} keeps it from being published. */
public enum LintCode {
    STARTER_MISSING(Severity.MUST, "A starter file is not there"),
    STARTER_DIFFERS(Severity.MUST, "A starter file is not the one the kit names"),
    STARTER_LINK(Severity.MUST, "A starter document has a broken link"),
    NOT_CLEAN(Severity.MUST, "The kit, handed in as it is, would be faulted"),
    TYPE_NOWHERE(Severity.MUST, "No file of this type may lie where it is asked for"),
    NAME_CONTRADICTION(Severity.MUST, "A name the kit asks for breaks the kit's own name rules"),
    NAME_IMPOSSIBLE(Severity.MUST, "A name some system refuses"),
    HELD_NOWHERE(Severity.MUST, "Something is asked for where nothing may be"),
    SAME_NAME(Severity.MUST, "Two patterns match the same name"),
    SAME_FOLDER(Severity.SHOULD, "A folder fits two rules"),
    ROLE_UNKNOWN(Severity.MUST, "A role that is not there"),
    VERSIONS_UNNUMBERED(Severity.MUST, "Versions without a number in the name"),
    ROOT_TOO_LONG(Severity.MUST, "The root's name is longer than its location may be"),
    PATH_TOO_LONG(Severity.MUST, "A path is longer than a machine allows"),
    FILE_TOO_LARGE(Severity.MUST, "A starter file is larger than allowed"),
    TOTAL_TOO_LARGE(Severity.MUST, "The starter files alone are over the limit"),
    ROOT_CLASH(Severity.MUST, "Two students get the same root"),
    ROOT_NAMELESS(Severity.SHOULD, "A student cannot be given a root");

    private final Severity severity;
    private final String title;

    LintCode(Severity severity, String title) {
        this.severity = severity;
        this.title = title;
    }

    public Severity severity() {
        return severity;
    }

    public String title() {
        return title;
    }

    /** As it is written in reports, {@code kit.type-nowhere}. */
    public String id() {
        return "kit." + name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
