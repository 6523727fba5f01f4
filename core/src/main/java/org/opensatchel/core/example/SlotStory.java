package org.opensatchel.core.example;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST;
import static org.opensatchel.base.fact.FactName.NUMBER;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PATTERN;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.WHAT;

import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.formats.described.Kind;
import org.opensatchel.formats.described.Slot;
import org.opensatchel.formats.described.Where;

/** A slot in a person's words: where it is, what its values are, and what speaks for that. */
public record SlotStory(Phrase where, Phrase role, Phrase evidence) {

    public static SlotStory of(Kind kind, Slot slot) {
        Optional<Slot> other = slot.of().flatMap(id -> kind.slots().stream().filter(one -> one.id().equals(id)).findFirst());
        return new SlotStory(where(slot.where()), role(slot, other), evidence(slot));
    }

    /** What each of a kind's slots is. */
    public static List<SlotStory> all(Kind kind) {
        return kind.slots().stream().map(slot -> of(kind, slot)).toList();
    }

    static Phrase where(Where where) {
        if (where instanceof Where.InLine line) {
            return SlotWording.IN_LINE.say(Facts.of(WHAT, part(line.value())).and(FOUND, known(line.begins()))
                    .and(PLACE, known(line.section())));
        }
        if (where instanceof Where.Matched matched) {
            return SlotWording.MATCHED.say(Facts.of(PATTERN, matched.pattern()));
        }
        if (where instanceof Where.InBytes bytes) {
            return SlotWording.IN_BYTES.say(Facts.of(FOUND, known(mark(bytes.mark()))));
        }
        return SlotWording.IN_TREE.say(Facts.of(FOUND, where.text()));
    }

    private static Optional<String> known(String text) {
        return Optional.of(text).filter(one -> !one.isEmpty() && !one.equals(Where.ANY));
    }

    /** A mark as letters where it is that, else in hexadecimal. */
    private static String mark(String hex) {
        String fixed = hex.replaceAll("(?:\\?\\?)+$", "");
        if (fixed.contains("?") || fixed.isEmpty()) {
            return fixed;
        }
        byte[] bytes = HexFormat.of().parseHex(fixed);
        for (byte b : bytes) {
            if (b < ' ' || b == 0x7F) {
                return fixed;
            }
        }
        return new String(bytes, StandardCharsets.US_ASCII);
    }

    private static Phrase part(Where.Part part) {
        return switch (part.kind()) {
            case WHOLE -> SlotWording.PART_WHOLE.say();
            case REST -> SlotWording.PART_REST.say();
            case QUOTED -> SlotWording.PART_QUOTED.say(Facts.of(NUMBER, part.number()));
            case WORD -> SlotWording.PART_WORD.say(Facts.of(NUMBER, part.number()));
            case FROM -> SlotWording.PART_FROM.say(Facts.of(NUMBER, part.number()));
            case AFTER -> SlotWording.PART_AFTER.say(Facts.of(FOUND, part.word()));
        };
    }

    private static Phrase role(Slot slot, Optional<Slot> other) {
        Facts of = Facts.of(OTHER, other.map(one -> one.where() instanceof Where.InTree tree ? tree.text() : one.id()));
        return switch (slot.role()) {
            case LINK -> SlotWording.ROLE_LINK.say();
            case SAME -> SlotWording.ROLE_SAME.say(of);
            case FOLDER -> SlotWording.ROLE_FOLDER.say(of);
            case BASE -> SlotWording.ROLE_BASE.say();
            case SAVED -> SlotWording.ROLE_SAVED.say();
            case ALONE -> SlotWording.ROLE_ALONE.say();
        };
    }

    private static Phrase evidence(Slot slot) {
        Slot.Evidence evidence = slot.evidence();
        Facts leading = Facts.of(COUNT, evidence.leading()).and(MOST, evidence.values());
        Facts same = Facts.of(COUNT, evidence.same()).and(MOST, evidence.values());
        return switch (slot.role()) {
            case LINK -> SlotWording.LEADING.say(leading);
            case SAME -> SlotWording.NAMING.say(same);
            case FOLDER, BASE -> SlotWording.SERVING.say(Facts.of(COUNT, evidence.same()));
            case SAVED -> SlotWording.SAVED_THERE.say(Facts.of(COUNT, evidence.values()));
            case ALONE -> evidence.same() > 0 ? SlotWording.NAMES_OF.say(same)
                    : evidence.leading() > 0 ? SlotWording.LEADING.say(leading)
                            : SlotWording.LEADING_NOWHERE.say(Facts.of(COUNT, evidence.values()));
        };
    }
}
