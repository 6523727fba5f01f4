package org.opensatchel.web.kit;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.opensatchel.web.text.Speech;

/**
 * Plans of our own to begin with, in the language of whoever looks: their words stand in them as {@code @key@}.
 *
 * @param title what it is a plan for
 * @param about what is in it
 * @param document the kit document
 */
public record ReadyMade(String title, String about, String document) {

    private static final List<String> NAMES = List.of("film", "model", "layout", "site");
    private static final Pattern WORD = Pattern.compile("@([a-z.]+)@");

    static List<ReadyMade> all() {
        return NAMES.stream()
                .map(name -> new ReadyMade(Speech.say("ready-made." + name + ".title"), Speech.say("ready-made." + name + ".about"),
                        document(name)))
                .toList();
    }

    private static String document(String name) {
        try (InputStream in = ReadyMade.class.getResourceAsStream("/plans/" + name + ".kit.json")) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return WORD.matcher(text).replaceAll(word -> Matcher.quoteReplacement(Speech.say("ready-made." + word.group(1))));
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }
}
