package org.opensatchel.core.naming;

import static org.opensatchel.base.fact.FactName.CHARACTER;
import static org.opensatchel.base.fact.FactName.CODE_POINT;

import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;

/**
 * What a name must be to exist on every system: the rules of Windows (which are the narrowest) and the characters that no
 * person can see.
 */
public final class PortableName {

    private static final String REFUSED = "<>:\"|?*\\";
    private static final Set<String> DEVICES = Set.of("con", "prn", "aux", "nul", "com1", "com2", "com3", "com4", "com5", "com6", "com7",
            "com8", "com9",
            "lpt1", "lpt2", "lpt3", "lpt4", "lpt5", "lpt6", "lpt7", "lpt8", "lpt9", "conin$", "conout$", "com¹", "com²", "com³", "lpt¹",
            "lpt²", "lpt³");

    private static final int SHORTEST_DEVICE = 3;
    private static final int LONGEST_DEVICE = 7;

    /**
     * A reason why some system refuses a name.
     *
     * @param at the first code point concerned, from 0
     */
    public record Refusal(int at, Phrase what) {}

    private PortableName() {
    }

    public static Optional<Refusal> refusal(String name) {
        for (int i = 0; i < name.length(); i += Character.charCount(name.codePointAt(i))) {
            int point = name.codePointAt(i);
            if (!isPlain(point)) {
                Optional<Phrase> reason = reason(point);
                if (reason.isPresent()) {
                    return Optional.of(new Refusal(name.codePointCount(0, i), reason.get()));
                }
            }
        }
        if (isDevice(name)) {
            return Optional.of(new Refusal(0, NameWording.DEVICE.say()));
        }
        if (name.endsWith(" ") || name.endsWith(".")) {
            return Optional.of(new Refusal(name.codePointCount(0, name.length()) - 1,
                    (name.endsWith(".") ? NameWording.ENDS_IN_DOT : NameWording.ENDS_IN_SPACE).say()));
        }
        return Optional.empty();
    }

    /** Letters, digits and the like, as nearly all names consist of: told without looking any further. */
    private static boolean isPlain(int point) {
        return (point >= 'a' && point <= 'z') || (point >= '0' && point <= '9') || (point >= 'A' && point <= 'Z') || point == '_'
                || point == '.' || point == '-' || point == ' ';
    }

    private static boolean isDevice(String name) {
        int dot = name.indexOf('.');
        int end = dot < 0 ? name.length() : dot;
        while (end > 0 && Character.isWhitespace(name.charAt(end - 1))) {
            end--;
        }
        return end >= SHORTEST_DEVICE && end <= LONGEST_DEVICE && DEVICES.contains(name.substring(0, end).toLowerCase(Locale.ROOT));
    }

    private static Optional<Phrase> reason(int point) {
        if (point < 128 && REFUSED.indexOf(point) >= 0) {
            return Optional.of(NameWording.REFUSED.say(Facts.of(CHARACTER, Character.toString(point))));
        }
        if (point == 0xFFFD) {
            return Optional.of(NameWording.UNREADABLE.say());
        }
        if (Character.isISOControl(point) || point == 0x2028 || point == 0x2029) {
            return Optional.of(NameWording.CONTROL.say(codePoint(point)));
        }
        if ((point >= 0x202A && point <= 0x202E) || (point >= 0x2066 && point <= 0x2069) || point == 0x200E || point == 0x200F
                || point == 0x061C) {
            return Optional.of(NameWording.TURNS.say(codePoint(point)));
        }
        return point == 0x200B || point == 0xFEFF ? Optional.of(NameWording.UNSEEN.say(codePoint(point))) : Optional.empty();
    }

    private static Facts codePoint(int point) {
        return Facts.of(CODE_POINT, String.format(Locale.ROOT, "U+%04X", point));
    }
}
