package org.opensatchel.core.resolve;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.formats.link.Link;

/** What is left of the path finder's guesses once it is known where they lead. */
final class Guesses {

    private Guesses() {
    }

    /**
     * Without absolute paths that stand beside their relative twin: many programs write both, and open the relative one; and without
     * relative ones in members of packages that lead nowhere, since where these start from is anybody's guess.
     */
    static List<ResolvedLink> sifted(List<ResolvedLink> all) {
        List<ResolvedLink> links = joined(all);
        Map<ProjectPath, Set<String>> found = new HashMap<>();
        for (ResolvedLink link : links) {
            if (isGuess(link) && link.form() == LinkForm.RELATIVE && link.isFound()) {
                found.computeIfAbsent(link.link().document(), document -> new HashSet<>())
                        .add(NameFolding.folded(link.target().orElseThrow().name()));
            }
        }
        return links.stream().filter(link -> !isGuess(link) || !(isTwin(link, found) || isLostMember(link))).toList();
    }

    /** A relative and a whole path of one file name side by side are one link: the relative one, and the whole path where only that leads. */
    private static List<ResolvedLink> joined(List<ResolvedLink> links) {
        List<ResolvedLink> out = new ArrayList<>(links.size());
        for (ResolvedLink link : links) {
            ResolvedLink before = out.isEmpty() ? null : out.get(out.size() - 1);
            if (before != null && areForms(before, link)) {
                boolean first = before.form() == LinkForm.RELATIVE;
                out.set(out.size() - 1, joined(first ? before : link, first ? link : before));
            } else {
                out.add(link);
            }
        }
        return out;
    }

    private static boolean areForms(ResolvedLink one, ResolvedLink other) {
        boolean guesses = isGuess(one) && isGuess(other) && one.link().document().equals(other.link().document())
                && one.link().forms().isEmpty() && other.link().forms().isEmpty();
        boolean relative = one.form() == LinkForm.RELATIVE;
        if (!guesses || relative == (other.form() == LinkForm.RELATIVE) || !(relative ? other : one).form().isAbsolute()) {
            return false;
        }
        // A bare name beside a path is more likely a name for people.
        boolean path = (relative ? one : other).link().path().chars().anyMatch(c -> c == '/' || c == '\\');
        return path && !name(one).isEmpty() && name(one).equals(name(other));
    }

    private static String name(ResolvedLink link) {
        return link.link().address().map(LinkAddress::name).map(name -> name.substring(name.lastIndexOf('\\') + 1))
                .map(NameFolding::folded).orElse("");
    }

    private static ResolvedLink joined(ResolvedLink relative, ResolvedLink whole) {
        Link link = relative.link().and(whole.link().text());
        return !relative.isFound() && whole.isFound() ? whole.of(link) : relative.of(link);
    }

    private static boolean isTwin(ResolvedLink link, Map<ProjectPath, Set<String>> found) {
        return link.form().isAbsolute() && link.link().forms().isEmpty()
                && link.link().address().map(LinkAddress::name).map(NameFolding::folded)
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
