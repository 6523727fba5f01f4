package org.opensatchel.web.text;

import org.springframework.web.util.HtmlUtils;

/** Text as it may stand in a page, where a template would take too long. */
public final class Markup {

    private Markup() {
    }

    /** Inert in the text of an element and in a quoted attribute. */
    public static String escaped(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '<' || c == '>' || c == '&' || c == '"' || c == '\'') {
                return HtmlUtils.htmlEscape(text, "UTF-8");
            }
        }
        // Nearly every text: looking each letter up in a table of all entities is most of what a page of hundreds costs.
        return text;
    }
}
