package org.opensatchel.core.roster;

import java.util.ArrayList;
import java.util.List;

/**
 * What a roster file would change: who is added, who changes and in what, who is no longer there.
 *
 * @param added lines nobody on the roster matches
 * @param changed people on the roster whose line says something else
 * @param left people on the roster without a line, by their keys
 * @param same how many stay as they are
 */
public record RosterChange(List<RosterLine> added, List<Changed> changed, List<Known> left, int same) {

    public RosterChange {
        added = List.copyOf(added);
        changed = List.copyOf(changed);
        left = List.copyOf(left);
    }

    /** Somebody on the roster now; the key is whatever the caller knows them by. */
    public record Known(long key, String last, String first, String id, String section) {
        public String listed() {
            return first.isEmpty() ? last : last + ", " + first;
        }
    }

    /** Somebody whose line says something else, and what, in words. */
    public record Changed(Known known, RosterLine line, List<String> what) {
    }

    /** Matches by student number, else by a name that only one person on each side has. */
    public static RosterChange between(List<Known> known, List<RosterLine> lines) {
        RosterMatch match = RosterMatch.of(known, lines);
        List<Changed> changed = new ArrayList<>();
        match.pairs().forEach((line, one) -> {
            List<String> what = what(one, line);
            if (!what.isEmpty()) {
                changed.add(new Changed(one, line, what));
            }
        });
        return new RosterChange(match.unknown(), changed, match.silent(), match.pairs().size() - changed.size());
    }

    private static List<String> what(Known known, RosterLine line) {
        List<String> out = new ArrayList<>();
        differs(out, "last name", known.last(), line.last());
        differs(out, "first name", known.first(), line.first());
        if (!line.id().isEmpty()) {
            differs(out, "number", known.id(), line.id());
        }
        if (!line.section().isEmpty()) {
            differs(out, "section", known.section(), line.section());
        }
        return out;
    }

    private static void differs(List<String> out, String what, String before, String after) {
        if (!before.equals(after)) {
            out.add(after.isEmpty() ? "no " + what + ", was “" + before + "”" : before.isEmpty() ? what + " “" + after + "”, there was none" : what + " “" + after + "”, was “" + before + "”");
        }
    }
}
