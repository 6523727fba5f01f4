package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.NEED;
import static org.opensatchel.base.fact.FactName.PARTS;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.PURPOSE;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.VALUE;
import static org.opensatchel.base.fact.FactName.WERE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;

/** Parts of a kit as phrases, for sentences that tell them before and after. */
final class RuleParts {

    private RuleParts() {
    }

    /** What a new thing is like, where there is more to say than its name. */
    static Optional<Phrase> about(Object item) {
        if (item instanceof FolderRule rule) {
            Optional<String> purpose = Optional.of(rule.purpose().strip()).filter(text -> !text.isEmpty());
            Optional<List<String>> types = Optional.of(rule.accepts()).filter(accepts -> !accepts.isEmpty());
            return Optional.of(ChangeWording.NEW_FOLDER.say(Facts.of(NEED, rule.need()).and(TYPES, types).and(PURPOSE, purpose)));
        }
        if (item instanceof Kit.DocumentRule rule) {
            return Optional.of(file(rule.name().text(), rule.in()));
        }
        return item instanceof Kit.FileRule rule ? Optional.of(file(rule.name().text(), rule.in())) : Optional.empty();
    }

    private static Phrase file(String pattern, ProjectPath in) {
        return ChangeWording.NEW_FILE.say(Facts.of(PATTERN, pattern).and(PLACE, Optional.of(in).filter(folder -> !folder.isRoot())));
    }

    /** What is asked now and was asked before; what asks for nothing is left out. */
    static Facts both(List<Phrase> before, List<Phrase> after) {
        return Facts.NONE.and(PARTS, Optional.of(after).filter(parts -> !parts.isEmpty())).and(WERE,
                Optional.of(before).filter(parts -> !parts.isEmpty()));
    }

    static List<Phrase> limits(Kit.Limits limits) {
        List<Phrase> out = new ArrayList<>();
        limits.totalBytes().ifPresent(value -> out.add(ChangeWording.BYTES_IN_ALL.say(Facts.of(BYTES, value))));
        limits.fileBytes().ifPresent(value -> out.add(ChangeWording.BYTES_A_FILE.say(Facts.of(BYTES, value))));
        return out;
    }

    static List<Phrase> points(Optional<Kit.Points> points) {
        return points.map(value -> Stream.concat(Stream.of(ChangeWording.POINTS_IN_ALL.say(Facts.of(COUNT, value.total())),
                ChangeWording.POINTS_FOLDERS.say(Facts.of(COUNT, value.structure())),
                ChangeWording.POINTS_NAMES.say(Facts.of(COUNT, value.names())),
                ChangeWording.POINTS_LINKS.say(Facts.of(COUNT, value.links())),
                ChangeWording.POINTS_FILES.say(Facts.of(COUNT, value.assets()))), off(value.off())).toList()).orElse(List.of());
    }

    private static Stream<Phrase> off(Kit.Deductions off) {
        return off.equals(Kit.Deductions.USUAL) ? Stream.of()
                : Stream.of(ChangeWording.POINTS_OFF_MUST.say(Facts.of(VALUE, off.must())),
                        ChangeWording.POINTS_OFF_SHOULD.say(Facts.of(VALUE, off.should())),
                        ChangeWording.POINTS_OFF_NOTE.say(Facts.of(VALUE, off.note())));
    }
}
