package org.opensatchel.formats.text;

import java.util.function.BiConsumer;

/** The lines of a text, ended by LF, CR or both, with their numbers from 1. */
public final class Lines {

    private Lines() {
    }

    public static void each(String text, BiConsumer<Integer, String> taker) {
        int number = 0;
        int start = 0;
        while (start <= text.length()) {
            int end = start;
            while (end < text.length() && text.charAt(end) != '\n' && text.charAt(end) != '\r') {
                end++;
            }
            taker.accept(++number, text.substring(start, end));
            start = end + (end + 1 < text.length() && text.charAt(end) == '\r' && text.charAt(end + 1) == '\n' ? 2 : 1);
        }
    }
}
