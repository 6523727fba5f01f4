package org.opensatchel.core.finding;

import java.util.List;

/**
 * What is said about a code whenever it is given.
 *
 * @param title what went wrong, in a few words
 * @param why why it matters, one sentence
 * @param remedy the steps that fix it, in order
 */
public record Advice(String title, String why, List<String> remedy) {

    public static Advice of(String title, String why, String... remedy) {
        return new Advice(title, why, List.of(remedy));
    }
}
