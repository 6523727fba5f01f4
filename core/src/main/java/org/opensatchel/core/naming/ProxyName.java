package org.opensatchel.core.naming;

import java.util.Optional;
import org.opensatchel.base.path.NameFolding;

/**
 * How the name of a stand-in is made of its original's: a text in which {@code {original}} stands once for that name, without their
 * endings. Letter case and Unicode form are overlooked.
 */
public record ProxyName(String before, String after) {

    /** What stands for the original's name. */
    public static final String ORIGINAL = "{original}";

    /** A stand-in that is called as its original is. */
    public static final ProxyName SAME = new ProxyName("", "");

    /** Absent where the original's name does not stand in it exactly once, or anything else in braces does. */
    public static Optional<ProxyName> read(String text) {
        int at = text.indexOf(ORIGINAL);
        if (at < 0) {
            return Optional.empty();
        }
        ProxyName name = new ProxyName(text.substring(0, at), text.substring(at + ORIGINAL.length()));
        boolean plain = (name.before + name.after).chars().noneMatch(c -> "{}/\\".indexOf(c) >= 0);
        return plain ? Optional.of(name) : Optional.empty();
    }

    /** The name of the original of a stand-in; absent where this is not the name of one. Both without their endings. */
    public Optional<String> original(String stem) {
        String name = NameFolding.composed(stem);
        String head = NameFolding.composed(before);
        String tail = NameFolding.composed(after);
        int end = name.length() - tail.length();
        boolean fits = end > head.length() && name.regionMatches(true, 0, head, 0, head.length())
                && name.regionMatches(true, end, tail, 0, tail.length());
        return fits ? Optional.of(name.substring(head.length(), end)) : Optional.empty();
    }

    public String text() {
        return before + ORIGINAL + after;
    }
}
