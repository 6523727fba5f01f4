package org.opensatchel.core.naming;

/** How many letters two names are apart: put in, left out, changed, or two neighbours exchanged. */
public final class EditDistance {

    private EditDistance() {
    }

    /** The distance, or {@code most + 1} when it is larger. */
    public static int within(String a, String b, int most) {
        if (Math.abs(a.length() - b.length()) > most) {
            return most + 1;
        }
        int[] before = new int[b.length() + 1];
        int[] last = new int[b.length() + 1];
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            last[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            row[0] = i;
            int least = i;
            // Further from the diagonal than this every value is larger than what is asked for.
            int from = Math.max(1, i - most);
            int to = Math.min(b.length(), i + most);
            if (from > 1) {
                row[from - 1] = most + 1;
            }
            if (to < b.length()) {
                row[to + 1] = most + 1;
            }
            for (int j = from; j <= to; j++) {
                int change = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                row[j] = Math.min(Math.min(last[j] + 1, row[j - 1] + 1), last[j - 1] + change);
                boolean exchanged = i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1);
                if (exchanged) {
                    row[j] = Math.min(row[j], before[j - 2] + 1);
                }
                least = Math.min(least, row[j]);
            }
            if (least > most) {
                return most + 1;
            }
            int[] spare = before;
            before = last;
            last = row;
            row = spare;
        }
        return Math.min(last[b.length()], most + 1);
    }
}
