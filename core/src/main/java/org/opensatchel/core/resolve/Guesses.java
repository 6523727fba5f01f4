package org.opensatchel.core.resolve;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.core.link.Link;
import org.opensatchel.core.path.LinkAddress;
import org.opensatchel.core.path.LinkForm;
import org.opensatchel.core.path.NameFolding;
import org.opensatchel.core.path.ProjectPath;

/** What is left of the path finder's guesses once it is known where they lead. */
final class Guesses {

    private Guesses() {
    }

    /**
     * Without absolute paths that stand beside their relative twin: many programs write both, and open the relative one; and without
     * relative ones in members of packages that lead nowhere, since where these start from is anybody's guess.
     */
    static List<ResolvedLink> sifted(List<ResolvedLink> links) {
        Map<ProjectPath, Set<String>> found = new HashMap<>();
        for (ResolvedLink link : links) {
            if (isGuess(link) && link.form() == LinkForm.RELATIVE && link.isFound()) {
                found.computeIfAbsent(link.link().document(), document -> new HashSet<>())
                        .add(NameFolding.folded(link.target().orElseThrow().name()));
            }
        }
        return links.stream().filter(link -> !isGuess(link) || !(isTwin(link, found) || isLostMember(link))).toList();
    }

    private static boolean isTwin(ResolvedLink link, Map<ProjectPath, Set<String>> found) {
        return link.form().isAbsolute() && link.link().address().map(LinkAddress::name).map(NameFolding::folded)
                .filter(found.getOrDefault(link.link().document(), Set.of())::contains).isPresent();
    }

    private static boolean isLostMember(ResolvedLink link) {
        return link.form() == LinkForm.RELATIVE && !link.isFound() && !link.link().document().equals(link.link().file());
    }

    private static boolean isGuess(ResolvedLink link) {
        return link.link().isGuess();
    }

    /** The documents of no known format in which some relative name was found: there what is not found is more than a name. */
    static Set<ProjectPath> trusted(List<ResolvedLink> links) {
        Map<ProjectPath, int[]> counts = new HashMap<>();
        for (ResolvedLink link : links) {
            if (isGuess(link) && link.form() == LinkForm.RELATIVE) {
                int[] count = counts.computeIfAbsent(link.link().document(), document -> new int[2]);
                count[0]++;
                count[1] += link.isFound() ? 1 : 0;
            }
        }
        Set<ProjectPath> out = new HashSet<>();
        counts.forEach((document, count) -> {
            if (count[1] > 0 && 4 * count[1] >= count[0] - count[1]) {
                out.add(document);
            }
        });
        return out;
    }
}
