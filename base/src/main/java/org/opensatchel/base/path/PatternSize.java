package org.opensatchel.base.path;

/**
 * How large the program of a regular expression (RE2 syntax) becomes, estimated before it is made: counted repeats
 * multiply what they repeat, and repeats inside repeats multiply each other.
 */
public final class PatternSize {

    private final String pattern;
    private int at;

    private PatternSize(String pattern) {
        this.pattern = pattern;
    }

    /** About as many steps as the program has; never less than a tenth of it. A pattern that is not well formed has some size too. */
    public static long of(String pattern) {
        PatternSize size = new PatternSize(pattern);
        long sum = 0;
        while (size.at < pattern.length()) {
            sum = Math.min(Integer.MAX_VALUE, sum + size.sequence());
            size.at++;
        }
        return sum;
    }

    /** Up to a closing bracket that belongs to a group around it, or the end. */
    private long sequence() {
        long sum = 0;
        long last = 0;
        while (at < pattern.length() && pattern.charAt(at) != ')') {
            char c = pattern.charAt(at);
            if (c == '{') {
                long times = repeats();
                sum = Math.min(Integer.MAX_VALUE, sum + last * (times - 1));
                last = Math.min(Integer.MAX_VALUE, last * times);
                continue;
            }
            if (c == '*' || c == '+' || c == '?') {
                sum++;
                last++;
            } else if (c == '(') {
                at++;
                last = sequence() + 2;
                sum = Math.min(Integer.MAX_VALUE, sum + last);
            } else {
                pass(c);
                last = 1;
                sum++;
            }
            at++;
        }
        return sum;
    }

    /** Moves to the end of an escape or a class; everything else is one sign. */
    private void pass(char c) {
        if (c == '\\') {
            boolean quoted = at + 1 < pattern.length() && pattern.charAt(at + 1) == 'Q';
            boolean named = at + 2 < pattern.length() && "pPx".indexOf(pattern.charAt(at + 1)) >= 0 && pattern.charAt(at + 2) == '{';
            int end = quoted ? pattern.indexOf("\\E", at) + 1 : named ? pattern.indexOf('}', at) : at + 1;
            at = end <= at ? pattern.length() : end;
        } else if (c == '[') {
            at++;
            for (int first = at; at < pattern.length() && (pattern.charAt(at) != ']' || at == first); at++) {
                at += pattern.charAt(at) == '\\' ? 1 : 0;
            }
        }
    }

    /** The larger number of {@code {m,n}}, {@code {m,}} or {@code {m}}; one where no repeat stands there after all. */
    private long repeats() {
        int end = pattern.indexOf('}', at);
        String inside = end < 0 ? "" : pattern.substring(at + 1, end);
        at = end < 0 ? at + 1 : end + 1;
        if (!inside.matches("[0-9]{1,9}(,[0-9]{0,9})?")) {
            return 1;
        }
        long most = 1;
        for (String number : inside.split(",")) {
            most = Math.max(most, Long.parseLong(number));
        }
        return most;
    }
}
