package org.opensatchel.core.roster;

import static org.opensatchel.base.fact.FactName.AFTER;
import static org.opensatchel.base.fact.FactName.BEFORE;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

/**
 * What a roster file would change: who is added, who changes and in what, who is no longer there.
 *
 * @param added lines nobody on the roster matches
 * @param changed people on the roster whose line says something else
 * @param left people on the roster without a line, by their keys; of a table that tells of some sections alone, of these
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
    public record Changed(Known known, RosterLine line, List<Phrase> what) {

        /** Whether the name is another, of which the kit's folder may be named. */
        public boolean isName() {
            return !known.last.equals(line.last()) || !known.first.equals(line.first());
        }
    }

    /** Matches by student number, else by a name that only one person on each side has. */
    public static RosterChange between(List<Known> known, RosterReading reading) {
        RosterMatch match = RosterMatch.of(known, reading.lines());
        // Who stands in a row that was set apart is told of, though nothing of them is taken over.
        Set<Known> aside = new HashSet<>(RosterMatch.of(match.silent(), reading.aside()).pairs().values());
        Set<String> sections = Stream.concat(reading.lines().stream(), reading.aside().stream()).map(RosterLine::section)
                .collect(Collectors.toSet());
        boolean ofSections = sections.stream().anyMatch(section -> !section.isEmpty());
        List<Known> left = match.silent().stream().filter(one -> !aside.contains(one))
                .filter(one -> !ofSections || sections.contains(one.section())).toList();
        List<Changed> changed = new ArrayList<>();
        match.pairs().forEach((line, one) -> {
            List<Phrase> what = what(one, line);
            if (!what.isEmpty()) {
                changed.add(new Changed(one, line, what));
            }
        });
        return new RosterChange(match.unknown(), changed, left, match.pairs().size() - changed.size());
    }

    private static List<Phrase> what(Known known, RosterLine line) {
        List<Phrase> out = new ArrayList<>();
        differs(out, RosterColumn.LAST, known.last(), line.last());
        differs(out, RosterColumn.FIRST, known.first(), line.first());
        if (!line.id().isEmpty()) {
            differs(out, RosterColumn.ID, known.id(), line.id());
        }
        if (!line.section().isEmpty()) {
            differs(out, RosterColumn.SECTION, known.section(), line.section());
        }
        return out;
    }

    private static void differs(List<Phrase> out, RosterColumn what, String before, String after) {
        if (!before.equals(after)) {
            out.add(RosterWording.NOW.say(Facts.of(WHAT, what.say()).and(AFTER, Optional.of(after).filter(text -> !text.isEmpty()))
                    .and(BEFORE, Optional.of(before).filter(text -> !text.isEmpty()))));
        }
    }
}
