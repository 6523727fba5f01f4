package org.opensatchel.core.naming;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.OTHER;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.NameFolding;

/**
 * One way in which a name breaks a kit's name rules.
 *
 * @param what what is wrong, to follow the name in a sentence
 */
public record NameBreach(Kind kind, Phrase what) {

    /** The rules there are. */
    public enum Kind {
        CHARACTER, LETTERS, SPACE, TOO_LONG, AVOIDED
    }

    /** Everything that is wrong with one name; a name some system refuses is told for that alone. */
    public static List<NameBreach> of(NameRules rules, String name, boolean folder) {
        List<NameBreach> out = new ArrayList<>();
        Optional<PortableName.Refusal> refusal = rules.portable() ? PortableName.refusal(name) : Optional.empty();
        if (refusal.isPresent()) {
            out.add(new NameBreach(Kind.CHARACTER, refusal.get().what()));
        } else {
            letters(rules, name).ifPresent(what -> out.add(new NameBreach(Kind.LETTERS, what.say())));
            if (!rules.spaces() && name.codePoints().anyMatch(point -> Character.isWhitespace(point) || Character.isSpaceChar(point))) {
                out.add(new NameBreach(Kind.SPACE, NameWording.SPACE.say()));
            }
        }
        if (rules.maxLength() > 0 && name.codePointCount(0, name.length()) > rules.maxLength()) {
            int length = name.codePointCount(0, name.length());
            out.add(new NameBreach(Kind.TOO_LONG, NameWording.TOO_LONG.say(Facts.of(COUNT, length).and(MOST, rules.maxLength()))));
        }
        avoided(rules, folder ? name : stem(name))
                .ifPresent(word -> out.add(new NameBreach(Kind.AVOIDED, NameWording.AVOIDED.say(Facts.of(OTHER, word)))));
        return out;
    }

    private static Optional<NameWording> letters(NameRules rules, String name) {
        if (rules.ascii() && name.codePoints().anyMatch(point -> point > 126)) {
            return Optional.of(NameWording.BEYOND_ASCII);
        }
        return switch (rules.letters()) {
            case LOWER -> name.equals(name.toLowerCase(Locale.ROOT)) ? Optional.empty() : Optional.of(NameWording.CAPITALS);
            case UPPER ->
                stem(name).equals(stem(name).toUpperCase(Locale.ROOT)) ? Optional.empty() : Optional.of(NameWording.SMALL_LETTERS);
            case ANY -> Optional.empty();
        };
    }

    private static String stem(String name) {
        int dot = name.lastIndexOf('.');
        return dot <= 0 ? name : name.substring(0, dot);
    }

    /** The avoided word a name holds, as whole words. */
    private static Optional<String> avoided(NameRules rules, String name) {
        if (rules.avoid().isEmpty()) {
            return Optional.empty();
        }
        List<String> words = words(rules, name);
        return rules.avoid().stream().filter(avoided -> {
            List<String> wanted = words(rules, avoided);
            for (int i = 0; !wanted.isEmpty() && i + wanted.size() <= words.size(); i++) {
                if (words.subList(i, i + wanted.size()).equals(wanted)) {
                    return true;
                }
            }
            return false;
        }).findFirst();
    }

    /** A number behind a word counts copies of it, and hides it from nobody: {@code FINAL2}. An avoided word that has one keeps it. */
    private static List<String> words(NameRules rules, String text) {
        boolean digits = rules.wholeWords() || rules.avoid().stream().anyMatch(word -> word.chars().anyMatch(Character::isDigit));
        return Arrays.stream(NameFolding.folded(text).split(digits ? "[^\\p{L}\\p{N}\\p{M}]+" : "[^\\p{L}\\p{M}]+"))
                .filter(word -> !word.isEmpty()).toList();
    }
}
