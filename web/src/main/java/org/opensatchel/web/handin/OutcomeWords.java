package org.opensatchel.web.handin;

import org.springframework.stereotype.Component;

/** Outcomes in the words of the pages. */
@Component
public class OutcomeWords {

    /** For templates. */
    public String say(String outcome) {
        return of(outcome);
    }

    static String of(String outcome) {
        return switch (outcome) {
            case "ok" -> "opens anywhere";
            case "embedded" -> "needs no file";
            case "pinned" -> "tied to one place";
            case "misspelt" -> "name differs";
            case "moved" -> "the file was moved";
            case "outside" -> "leads out of the project";
            case "missing" -> "leads to nothing";
            case "remote" -> "on the web";
            default -> "cannot be told";
        };
    }
}
