package org.opensatchel.web.page;

import org.opensatchel.web.text.Speech;

/**
 * What an error page says: whose the error is, and what to do.
 *
 * @param title what happened, as a heading
 * @param sentence what to do about it
 */
record ErrorWords(String title, String sentence) {

    static ErrorWords of(int status) {
        return switch (status) {
            case 400 -> said("400");
            case 401, 403 -> said("401");
            case 404 -> said("404");
            case 405 -> said("405");
            case 406, 415 -> said("406");
            case 409 -> said("409");
            case 413 -> said("413");
            case 422 -> said("422");
            case 429 -> said("429");
            case 503 -> said("503");
            case 507 -> said("507");
            default -> said(status >= 500 ? "500" : "other");
        };
    }

    private static ErrorWords said(String kind) {
        return new ErrorWords(Speech.say("error." + kind), Speech.say("error." + kind + ".what"));
    }
}
