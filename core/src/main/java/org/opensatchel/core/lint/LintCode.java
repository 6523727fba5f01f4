package org.opensatchel.core.lint;

import java.util.Locale;
import org.opensatchel.core.finding.Severity;

/** What can be wrong with a kit before it goes out. A {@code must} keeps it from being published. */
public enum LintCode {
    STARTER_MISSING(Severity.MUST),
    STARTER_DIFFERS(Severity.MUST),
    PICTURE_NOWHERE(Severity.SHOULD),
    STARTER_LINK(Severity.MUST),
    NOT_CLEAN(Severity.MUST),
    TYPE_NOWHERE(Severity.MUST),
    NAME_CONTRADICTION(Severity.MUST),
    NAME_IMPOSSIBLE(Severity.MUST),
    HELD_NOWHERE(Severity.MUST),
    SAME_NAME(Severity.MUST),
    SAME_FOLDER(Severity.SHOULD),
    ROLE_UNKNOWN(Severity.MUST),
    VERSIONS_UNNUMBERED(Severity.MUST),
    ROOT_TOO_LONG(Severity.MUST),
    PATH_TOO_LONG(Severity.MUST),
    FILE_TOO_LARGE(Severity.MUST),
    TOTAL_TOO_LARGE(Severity.MUST),
    ROOT_CLASH(Severity.MUST),
    FOLDER_UNPLANNED(Severity.SHOULD),
    LIMIT_TOO_HIGH(Severity.SHOULD),
    EITHER_ALONE(Severity.SHOULD),
    ROOT_NAMELESS(Severity.SHOULD);

    private final Severity severity;

    LintCode(Severity severity) {
        this.severity = severity;
    }

    public Severity severity() {
        return severity;
    }

    /** As it is written in reports, {@code kit.type-nowhere}. */
    public String id() {
        return "kit." + name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
