package org.opensatchel.core.resolve;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.LinkText;
import org.opensatchel.base.path.NameFolding;
import org.opensatchel.base.path.Notation;
import org.opensatchel.base.path.PercentCoding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ProjectFile;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.formats.link.Link;
import java.util.function.BiFunction;

/** Links that say less than a path does: where a site is served from, a name that may be anywhere, and what only looks like a link. */
final class LooseLinks {

    /** Of so many none is meant more than another. */
    private static final int CROWD = 200;

    private final ProjectTree tree;
    private final Lookup lookup;
    private List<ProjectPath> tops;

    LooseLinks(ProjectTree tree, Lookup lookup) {
        this.tree = tree;
        this.lookup = lookup;
    }

    /** A site that lies in one folder of the project is served from there: rooted links start from it. */
    ResolvedLink inSite(ResolvedLink fromRoot, List<String> names) {
        if (fromRoot.isFound() || names.isEmpty()) {
            return fromRoot;
        }
        List<ProjectPath> sites = tops().stream()
                .map(top -> ProjectPath.of(top.text() + "/" + String.join("/", names))).filter(tree::exists).toList();
        List<String> own = fromRoot.link().file().names();
        Optional<ProjectPath> there = sites.size() == 1 ? Optional.of(sites.get(0))
                : sites.stream().filter(path -> path.names().get(0).equals(own.get(0))).findFirst();
        return there.map(path -> ResolvedLink.of(fromRoot.link(), fromRoot.form(), Outcome.OK).intended(path).target(path))
                .orElse(fromRoot);
    }

    /** The folders at the top; of very many none is a site more than another. */
    private List<ProjectPath> tops() {
        if (tops == null) {
            List<ProjectPath> all = tree.children(ProjectPath.ROOT).stream().filter(tree::isFolder).limit(CROWD + 1L).toList();
            tops = all.size() > CROWD ? List.of() : all;
        }
        return tops;
    }

    /**
     * What the format says less of than a path: a name that may be anywhere, or a guess that may start from the root.
     *
     * @param within looks a path up from the root
     */
    ResolvedLink loosely(ResolvedLink resolved, List<String> names, BiFunction<Link, List<String>, ResolvedLink> within) {
        Link link = resolved.link();
        if (resolved.target().isPresent() && resolved.outcome() != Outcome.MOVED) {
            // Nobody knows whether a format that nobody knows writes its names percent-encoded, or with backslashes.
            boolean encoded = link.isGuess() && resolved.outcome() == Outcome.MISSPELT
                    && (resolved.target().equals(decoded(link))
                            || resolved.overlooked().filter(Overlooked.BACKSLASHES::equals).isPresent());
            return encoded
                    ? ResolvedLink.of(link, resolved.form(), Outcome.OK).intended(resolved.target().get()).target(resolved.target().get())
                    : resolved;
        }
        if (link.standing() == Link.Standing.NAMED) {
            return byNameAlone(resolved, names);
        }
        if (link.isGuess()) {
            ResolvedLink fromRoot = LinkAddress.resolve(List.of(), names).map(path -> within.apply(link, path)).orElse(resolved);
            return fromRoot.isFound() ? fromRoot : fromElsewhere(resolved, names).orElseGet(() -> byNameAlone(resolved, names));
        }
        return resolved;
    }

    /**
     * Where a format that nobody knows starts its paths from, nobody knows either: what is found whole, from a folder above or below any
     * other, is found.
     */
    private Optional<ResolvedLink> fromElsewhere(ResolvedLink resolved, List<String> names) {
        List<String> slashed = names.stream().flatMap(name -> Stream.of(name.split("\\\\")))
                .filter(name -> !name.isEmpty() && !name.equals("."))
                .toList();
        List<String> below = slashed.stream().dropWhile(name -> name.equals("..")).toList();
        if (below.size() < 2 || below.contains("..")) {
            return Optional.empty();
        }
        ProjectPath tail = ProjectPath.of(below);
        for (ProjectPath folder = resolved.link().file().parent();; folder = folder.parent()) {
            Optional<Lookup.Found> found = lookup.exactOrAlike(folder.child(tail)).filter(there -> there.overlooked().isEmpty());
            if (found.isPresent()) {
                return Optional.of(ResolvedLink.of(resolved.link(), resolved.form(), Outcome.OK).intended(found.get().path())
                        .target(found.get().path()));
            }
            if (folder.isRoot()) {
                break;
            }
        }
        String end = "/" + NameFolding.composed(tail.text());
        List<ProjectFile> named = tree.named(tail.name());
        if (named.size() > CROWD) {
            return Optional.empty();
        }
        return named.stream().map(ProjectFile::path).filter(path -> NameFolding.composed(path.text()).endsWith(end))
                .findFirst()
                .map(path -> ResolvedLink.of(resolved.link(), resolved.form(), Outcome.OK).intended(path).target(path));
    }

    /**
     * A name without a folder says which file is meant, and not where it lies: the only file of that name is found. Of a clip's name any
     * file that bears it is found; of a guess nobody knows.
     */
    private ResolvedLink byNameAlone(ResolvedLink resolved, List<String> names) {
        if (names.size() != 1) {
            return resolved;
        }
        String name = NameFolding.composed(names.get(0));
        List<ProjectPath> there = tree.named(name).stream().map(ProjectFile::path)
                .filter(path -> NameFolding.composed(path.name()).equals(name)).limit(2).toList();
        boolean found = there.size() == 1 || (resolved.link().standing() == Link.Standing.NAMED && !there.isEmpty());
        return found ? ResolvedLink.of(resolved.link(), resolved.form(), Outcome.OK).intended(there.get(0)).target(there.get(0))
                : resolved;
    }

    private static Optional<ProjectPath> decoded(Link link) {
        return LinkText.read(PercentCoding.decode(link.path()), Notation.PLAIN)
                .flatMap(read -> LinkAddress.resolve(link.file().parent().names(), read.names())).map(ProjectPath::of);
    }

    /** Whether a guess only names the very file it stands in, as programs note where they saved it. */
    static boolean isOfItself(ResolvedLink resolved) {
        Link link = resolved.link();
        String own = link.file().name();
        return link.isGuess() && (resolved.target().filter(link.file()::equals).isPresent()
                || link.address().map(LinkAddress::name).filter(name -> NameFolding.folded(name).equals(NameFolding.folded(own)))
                        .isPresent());
    }

    /**
     * A guess with blanks in it that leads nowhere is more likely a sentence about a file than a link to one; a bare name that several
     * files have says nothing.
     */
    static boolean saysTooLittle(ResolvedLink resolved) {
        String text = resolved.link().text();
        boolean bare = text.indexOf('/') < 0 && text.indexOf('\\') < 0;
        boolean guess = resolved.link().isGuess() && resolved.form() == LinkForm.RELATIVE;
        boolean mentioned = resolved.link().standing() == Link.Standing.MENTIONED && !resolved.isFound();
        return mentioned || guess
                && ((resolved.outcome() == Outcome.MISSING && text.indexOf(' ') >= 0) || (resolved.outcome() == Outcome.MOVED && bare));
    }
}
