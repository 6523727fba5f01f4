package org.opensatchel.core.kit;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.fact.Wording;

/**
 * Something that is so or not of what a kit plans.
 *
 * @param key as the document calls it
 */
public record KitFlag(String key) {

    /** What folders may be. */
    public static List<KitFlag> ofFolders() {
        return KitShapes.FOLDER.flags();
    }

    /** What is said about each. */
    public static Stream<Wording> wordings() {
        return ofFolders().stream().flatMap(flag -> Stream.of(flag.asking(), flag.changing()));
    }

    /** What it asks for, for who plans. */
    public Phrase asks() {
        return asking().say();
    }

    private Wording asking() {
        return new Words("flag." + key, Set.of());
    }

    /** That something is so now, or is no longer. */
    Wording changing() {
        return new Words("change." + key, Set.of(FOUND, HOW));
    }

    private record Words(String key, Set<FactName> takes) implements Wording {}
}
