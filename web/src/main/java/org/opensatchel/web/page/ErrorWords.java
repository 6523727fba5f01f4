package org.opensatchel.web.page;

/**
 * What an error page says: whose the error is, and what to do.
 *
 * @param title what happened, as a heading
 * @param sentence what to do about it
 */
record ErrorWords(String title, String sentence) {

    static ErrorWords of(int status) {
        return switch (status) {
            case 400 -> new ErrorWords("This was not understood", "Something in what was sent is missing or cannot be read. Go back, look at what you typed, and send it again.");
            case 401, 403 -> new ErrorWords("This is not allowed", "The page was open for too long, or this is not yours to change. Go back, load the page again, and repeat what you did.");
            case 404 -> new ErrorWords("There is nothing here for you", "The address is wrong, or it belongs to somebody else.");
            case 405 -> new ErrorWords("This cannot be opened like this", "The address belongs to a button or a form. Go to the page it is on and use it there.");
            case 406, 415 -> new ErrorWords("This kind of file is not taken here", "Choose a file of the kind the page asks for.");
            case 409 -> new ErrorWords("Somebody else was faster", "What you wanted to change was changed at the same moment. Load the page again and look at it.");
            case 413 -> new ErrorWords("This is too large", "More was sent than is taken here. Leave out what is not needed, and send it again.");
            case 422 -> new ErrorWords("This cannot be used", "What was sent could be read, but not used. Go back and correct it.");
            case 429 -> new ErrorWords("Too much at once", "Many requests came from where you are. Wait a moment, then try again.");
            case 503 -> new ErrorWords("We are away for a moment", "Our database does not answer. This is our fault, and nothing of yours was changed or lost. Try again in a minute.");
            case 507 -> new ErrorWords("We have no room at the moment", "Our storage is full. This is our fault, and nothing of yours was changed. Try again later, and tell whoever runs this installation.");
            default -> status >= 500 ? new ErrorWords("That did not work", "This is our fault, and nothing of yours was changed.")
                    : new ErrorWords("That did not work", "Go back and look at what was sent.");
        };
    }
}
