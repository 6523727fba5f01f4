package org.opensatchel.core.resolve;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.core.naming.NamePattern;
import org.opensatchel.core.naming.RosterFields;

/**
 * The names the project's root goes by, and those that look like another project's.
 *
 * @param actual the name it was handed in under
 * @param expected the name the kit gives it
 * @param pattern the kit's pattern for it
 */
public record RootNames(Optional<String> actual, Optional<String> expected, Optional<NamePattern> pattern) {

    public boolean isOwn(String name) {
        String folded = NameFolding.folded(name);
        return actual.map(NameFolding::folded).filter(folded::equals).isPresent()
                || expected.map(NameFolding::folded).filter(folded::equals).isPresent();
    }

    /**
     * The first of some folder names that is made like this project's root but is not it: another assignment's, or
     * another student's. It has as many parts, and shares some; a name that merely fits a loose pattern is none.
     */
    public Optional<String> otherProject(List<String> names) {
        Optional<String> own = expected.or(() -> actual).filter(name -> !name.isEmpty());
        return own.flatMap(mine -> names.stream().filter(name -> !isOwn(name) && isLike(mine, name)).findFirst());
    }

    private boolean isLike(String own, String other) {
        List<String> mine = parts(own);
        List<String> its = parts(other);
        if (mine.size() != its.size() || mine.size() < 2) {
            return false;
        }
        long shared = 0;
        for (int i = 0; i < mine.size(); i++) {
            shared += mine.get(i).equals(its.get(i)) ? 1 : 0;
        }
        boolean fits = pattern.isPresent() && pattern.get().test(other, RosterFields.NONE, false).fits();
        return fits ? shared >= 1 : mine.size() >= 3 && shared >= 2;
    }

    private static List<String> parts(String name) {
        return Arrays.asList(NameFolding.folded(name).split("[ _\\-.]+"));
    }
}
