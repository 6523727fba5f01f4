package org.opensatchel.core.resolve;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.core.scan.Scan;
import org.opensatchel.formats.link.Link;

/**
 * All links of a project and where they lead.
 *
 * @param satisfied groups of alternatives of which one is found
 * @param inferred the root most of its absolute links were made under, in that machine's syntax
 * @param trusted documents of no known format in which some relative name was found
 * @param exhausted whether the last broken links were left without candidates, since there are so many
 */
public record Resolution(List<ResolvedLink> links, Optional<String> inferred, Set<String> satisfied, Set<ProjectPath> trusted,
        boolean exhausted) {

    /**
     * @param declared the declared locations of the root, as typed: one on each computer
     * @param mostCandidates most candidates of all broken links together
     */
    public static Resolution of(ProjectTree tree, Scan scan, Optional<Kit> kit, RootNames roots, List<String> declared,
            int mostCandidates) {
        Map<String, String> starters = new HashMap<>();
        kit.ifPresent(plan -> plan.starter().forEach(file -> starters.put(NameFolding.composed(file.path().text()), file.sha256())));
        Map<String, List<ProjectPath>> byHash = new HashMap<>();
        if (!starters.isEmpty()) {
            Set<String> known = new HashSet<>(starters.values());
            tree.files().forEach(file -> scan.sha256(file).filter(known::contains)
                    .ifPresent(hash -> byHash.computeIfAbsent(hash, key -> new ArrayList<>(1)).add(file.path())));
        }
        List<String> saved = scan.documents().stream().flatMap(document -> document.saved().stream()).distinct().toList();
        List<LinkAddress> places = Stream.concat(declared.stream(), saved.stream()).flatMap(place -> LinkText.readTyped(place).stream())
                .toList();
        NumberedFiles numbered = new NumberedFiles(tree);
        CandidateSearch candidates = new CandidateSearch(tree, numbered, starters, byHash, mostCandidates);
        LinkResolver resolver = new LinkResolver(tree, numbered,
                kit.map(plan -> plan.companions().stream().map(Kit.Companion::name).collect(Collectors.toSet())).orElse(Set.of()),
                roots, places, candidates);
        List<ResolvedLink> links = resolver.resolve(scan.documents());
        Set<String> satisfied = links.stream().filter(
                link -> !link.link().alternatives().isEmpty() && (link.outcome() == Outcome.OK || link.outcome() == Outcome.EMBEDDED))
                .map(Resolution::group).collect(Collectors.toSet());
        return new Resolution(links, OldRoots.inferred(links).or(() -> saved.stream().findFirst()), satisfied, Guesses.trusted(links),
                candidates.isExhausted());
    }

    /** Whether a link is a relative guess in a document where no such guess was found: perhaps only a name. */
    public boolean isMereName(ResolvedLink link) {
        return link.link().standing() == Link.Standing.HINTED || link.link().isGuess() && link.form() == LinkForm.RELATIVE
                && !trusted.contains(link.link().document());
    }

    /** Whether a link is one of several alternatives of which another one is found. */
    public boolean hasBetter(ResolvedLink link) {
        return !link.link().alternatives().isEmpty() && !link.link().inUse() && satisfied.contains(group(link));
    }

    /** The project's files that some link leads to, those behind a numbered set among them. */
    public Set<ProjectPath> linked(ProjectTree tree) {
        NumberedFiles numbered = new NumberedFiles(tree);
        Set<ProjectPath> targets = new HashSet<>();
        links.forEach(link -> link.target().ifPresent(targets::add));
        Set<ProjectPath> linked = new HashSet<>(targets);
        for (ProjectPath target : targets) {
            if (tree.isFolder(target)) {
                tree.filesBelow(target).forEach(file -> linked.add(file.path()));
            }
            linked.addAll(numbered.files(target));
        }
        return linked;
    }

    private static String group(ResolvedLink link) {
        return link.link().document() + " " + link.link().alternatives();
    }
}
