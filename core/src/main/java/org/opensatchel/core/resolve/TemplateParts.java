package org.opensatchel.core.resolve;

import java.util.regex.Pattern;

/**
 * What a template leaves to be filled in when its page is made, in any of the common brackets. A link with such a part leads
 * somewhere that nobody can tell from the folder; a file that really bears such a name is found before this is asked.
 */
final class TemplateParts {

    private static final Pattern BRACKETS = Pattern.compile("\\{\\{|\\{%|<%|<\\?"
            + "|\\$\\{[^}/]{1,200}\\}|#\\{[^}/]{1,200}\\}|(?:^|[/\\\\])\\[[^\\]/\\\\]{1,200}\\](?:$|[/\\\\?#])");
    /** A word between percent signs; in a URI two hexadecimal digits behind the first are an encoded letter. */
    private static final Pattern PERCENT = Pattern.compile("%[A-Za-z_][A-Za-z0-9_.-]{0,100}%");
    private static final Pattern PERCENT_IN_URI = Pattern.compile("%(?![0-9A-Fa-f]{2})[A-Za-z_][A-Za-z0-9_.-]{0,100}%");

    private TemplateParts() {
    }

    /** Whether a link that leads nowhere has a part that was never filled in. */
    static boolean isUnfilled(ResolvedLink link) {
        boolean nowhere = switch (link.outcome()) {
            case MISSING, MOVED, OUTSIDE, UNKNOWN -> true;
            default -> false;
        };
        return nowhere && link.link().standing() != org.opensatchel.formats.link.Link.Standing.LOST
                && in(link.link().text(), link.link().notation().isUri());
    }

    static boolean in(String text, boolean uri) {
        return (text.indexOf('{') >= 0 || text.indexOf('[') >= 0 || text.indexOf('<') >= 0 || text.indexOf('%') >= 0)
                && (BRACKETS.matcher(text).find() || (uri ? PERCENT_IN_URI : PERCENT).matcher(text).find());
    }
}
