package org.opensatchel.core.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.opensatchel.base.text.Shortened;

/**
 * Something said in a language, in pieces: the words, and the names in them, which pages set in a letter of their own and plain text
 * puts between quotation marks.
 *
 * @param open the language's opening quotation mark
 * @param close the closing one
 */
public record Sentence(List<Piece> pieces, String open, String close) {

    /** Longest sentence in a report, in characters; what is longer is cut with an ellipsis. */
    public static final int MOST = 2_000;

    /** Words, or a name. */
    public record Piece(String text, boolean isName) {}

    public Sentence {
        pieces = List.copyOf(pieces);
    }

    /** Words alone, as all was said before anything was told in pieces. */
    public static Sentence words(String text) {
        return new Sentence(text.isEmpty() ? List.of() : List.of(new Piece(text, false)), "", "");
    }

    /** A name alone, which needs no quotation marks. */
    public static Sentence name(String text) {
        return new Sentence(List.of(new Piece(text, true)), "", "");
    }

    /** The same with words after it. */
    public Sentence and(String words) {
        return and(words(words));
    }

    /** The same with another one after it. */
    public Sentence and(Sentence next) {
        List<Piece> both = new ArrayList<>(pieces);
        both.addAll(next.pieces);
        return new Sentence(both, open, close);
    }

    public boolean isEmpty() {
        return pieces.isEmpty();
    }

    /** The same, beginning with a capital where it begins with words. */
    public Sentence begun() {
        if (pieces.isEmpty() || pieces.get(0).isName() || pieces.get(0).text().isEmpty()) {
            return this;
        }
        List<Piece> begun = new ArrayList<>(pieces);
        String first = begun.get(0).text();
        int end = first.offsetByCodePoints(0, 1);
        begun.set(0, new Piece(first.substring(0, end).toUpperCase(Locale.ROOT) + first.substring(end), false));
        return new Sentence(begun, open, close);
    }

    /** The sentence as plain text, no longer than a report takes. */
    public String bounded() {
        return Shortened.end(toString(), MOST);
    }

    /** The sentence as plain text. */
    @Override
    public String toString() {
        StringBuilder out = new StringBuilder();
        for (Piece piece : pieces) {
            out.append(piece.isName ? open : "").append(piece.text).append(piece.isName ? close : "");
        }
        return out.toString();
    }
}
