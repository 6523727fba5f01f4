package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.NEED;
import static org.opensatchel.base.fact.FactName.TYPES;
import static org.opensatchel.base.fact.FactName.WAS;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.fact.Wording;

/**
 * What a person would say when a field is another than it was. It is asked only then.
 *
 * @param <T> what the field holds
 */
interface Change<T> {

    /** @param name what the field belongs to, as {@link FactName#FOUND}; nothing where there is one alone */
    List<Phrase> say(Facts name, T before, T after);

    /** One sentence. */
    static <T> Change<T> one(Wording what, BiFunction<T, T, Facts> facts) {
        return (name, before, after) -> List.of(what.say(facts.apply(before, after).and(name)));
    }

    /** One sentence that needs to know only what it is now. */
    static <T> Change<T> now(Wording what, FactName fact) {
        return (name, before, after) -> List.of(what.say(name.and(fact, after)));
    }

    /** Something that is so or not, with words of its own. */
    static Change<Boolean> flag(String key) {
        return new Flag(new KitFlag(key));
    }

    /** The same with words of another name, for a flag that some other object has too. */
    static Change<Boolean> flag(Wording what) {
        return (name, before, after) -> List.of(what.say(name.and(HOW, after ? "yes" : "no")));
    }

    static Change<Need> need() {
        return (name, before, after) -> List.of(ChangeWording.NEED_OF.say(name.and(NEED, after).and(WAS, before)));
    }

    /** Which files are taken. */
    static Change<List<String>> types() {
        return (name, before, after) -> {
            if (Set.copyOf(before).equals(Set.copyOf(after))) {
                return List.of();
            }
            if (after.isEmpty()) {
                return List.of(ChangeWording.TAKES_ANY.say(name));
            }
            return before.isEmpty() ? List.of(ChangeWording.TAKES_ONLY.say(name.and(TYPES, after)))
                    : Change.set(TYPES, ChangeWording.TAKES_ALSO, ChangeWording.TAKES_NO_LONGER).say(name, before, after);
        };
    }

    /** What a list has more than before, and what it has no longer, whatever their order. */
    static Change<List<String>> set(FactName fact, Wording more, Wording less) {
        return (name, before, after) -> {
            List<Phrase> out = new ArrayList<>();
            Set<String> added = without(after, before);
            Set<String> removed = without(before, after);
            if (!added.isEmpty()) {
                out.add(more.say(name.and(fact, new ArrayList<>(added))));
            }
            if (!removed.isEmpty()) {
                out.add(less.say(name.and(fact, new ArrayList<>(removed))));
            }
            return out;
        };
    }

    private static Set<String> without(Collection<String> from, Collection<String> what) {
        Set<String> left = new LinkedHashSet<>(from);
        left.removeAll(what);
        return left;
    }

    /** What pictures, films and sounds have to be, as it is and as it was. */
    static Change<Optional<MediaRule>> media() {
        return (name, before, after) -> {
            List<Phrase> was = before.map(MediaRule::parts).orElse(List.of());
            List<Phrase> is = after.map(MediaRule::parts).orElse(List.of());
            return was.equals(is) ? List.of() : List.of(ChangeWording.MEDIA.say(RuleParts.both(was, is).and(name)));
        };
    }

    /** A text without what nobody reads; empty where nothing is left. */
    static Optional<String> given(String text) {
        return Optional.of(text.strip()).filter(words -> !words.isEmpty());
    }

    /** What changing a flag means. */
    record Flag(KitFlag flag) implements Change<Boolean> {
        @Override
        public List<Phrase> say(Facts name, Boolean before, Boolean after) {
            return Change.flag(flag.changing()).say(name, before, after);
        }
    }
}
