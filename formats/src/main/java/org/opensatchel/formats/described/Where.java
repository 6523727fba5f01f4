package org.opensatchel.formats.described;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Where the values of a slot stand in documents of one kind. */
public sealed interface Where extends Comparable<Where> {

    /** Stands for any name in a step, and for any line or section. */
    String ANY = "*";

    /**
     * In a tree of names: an element's text, an attribute ({@code @name}), a value of JSON or of a property list, a column.
     *
     * @param steps the names from the top; {@link #ANY} for any, also for a place in a list
     */
    record InTree(List<String> steps) implements Where {
        public InTree {
            steps = List.copyOf(steps);
        }

        /** How many steps from the top two places have in common, the last step of each left out. */
        public int common(InTree other) {
            int most = Math.min(steps.size(), other.steps.size()) - 1;
            int same = 0;
            while (same < most && steps.get(same).equals(other.steps.get(same))) {
                same++;
            }
            return same;
        }

        @Override
        public String text() {
            StringBuilder out = new StringBuilder();
            steps.forEach(step -> out.append('/').append(step.replace("~", "~0").replace("/", "~1")));
            return out.toString();
        }
    }

    /**
     * In a line of a text.
     *
     * @param section the section the line stands in, as {@code [clip #]} or {@code clip \{} begin one; empty for none, {@link #ANY} for any
     * @param begins the line's first word, {@code #} for the digits in it; {@link #ANY} for any
     * @param value which part of the line it is
     */
    record InLine(String section, String begins, Part value) implements Where {
        @Override
        public String text() {
            return section + "|" + begins + "|" + value.text();
        }
    }

    /** By a pattern with a group {@code link} in a text (RE2 syntax). */
    record Matched(String pattern) implements Where {
        @Override
        public String text() {
            return pattern;
        }
    }

    /**
     * In a file that is no text.
     *
     * @param mark the bytes before the length, in hexadecimal, {@code ??} for any byte; may be empty
     */
    record InBytes(String mark, Extent length, Chars chars) implements Where {
        @Override
        public String text() {
            return mark + "|" + length.text() + "|" + chars.word();
        }
    }

    /**
     * A part of a line.
     *
     * @param number counts from 1; 0 where none is needed
     * @param word the word before it; empty where none is needed
     */
    record Part(Kind kind, int number, String word) {

        /** Which part. */
        public enum Kind {
            /** The whole line. */
            WHOLE,
            /** What stands behind the first word, and a sign of assignment. */
            REST,
            /** What stands in quotation marks. */
            QUOTED,
            /** A word. */
            WORD,
            /** From a word to the line's end. */
            FROM,
            /** The word, or what stands in quotation marks, right behind a word. */
            AFTER
        }

        public String text() {
            String name = kind.name().toLowerCase(Locale.ROOT);
            return kind == Kind.AFTER ? name + " " + word : number > 0 ? name + " " + number : name;
        }

        /** The part a text names; empty when it names none. */
        public static Optional<Part> of(String text) {
            int blank = text.indexOf(' ');
            String name = blank < 0 ? text : text.substring(0, blank);
            String rest = blank < 0 ? "" : text.substring(blank + 1);
            for (Kind kind : Kind.values()) {
                if (kind.name().equalsIgnoreCase(name)) {
                    return of(kind, rest);
                }
            }
            return Optional.empty();
        }

        private static Optional<Part> of(Kind kind, String rest) {
            if (kind == Kind.AFTER) {
                return rest.isEmpty() ? Optional.empty() : Optional.of(new Part(kind, 0, rest));
            }
            if (kind == Kind.WHOLE || kind == Kind.REST) {
                return rest.isEmpty() ? Optional.of(new Part(kind, 0, "")) : Optional.empty();
            }
            return rest.matches("[1-9][0-9]?") ? Optional.of(new Part(kind, Integer.parseInt(rest), "")) : Optional.empty();
        }
    }

    /** How it is written, for profiles and for comparing. */
    String text();

    @Override
    default int compareTo(Where other) {
        int kind = getClass().getSimpleName().compareTo(other.getClass().getSimpleName());
        return kind != 0 ? kind : text().compareTo(other.text());
    }
}
