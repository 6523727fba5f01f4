package org.opensatchel.core.resolve;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.PercentCoding;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Reason;
import org.opensatchel.core.project.ProjectTree;
import org.opensatchel.formats.Formats;
import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.link.DocumentLinks;
import org.opensatchel.formats.link.Link;
import org.opensatchel.formats.link.LinkReader;

/**
 * Tells where every link of a project leads, by looking it up in the tree; nothing is opened. Relative links start from
 * their document, rooted ones from the root, and absolute ones are tied to whichever old root they can be shown to share.
 */
public final class LinkResolver {

    /** Stands for the root itself on the way up from a document, so that climbing over it is noticed. */
    private static final String TOP = "\0root";
    private static final int MOST_INCLUDING = 8;
    private static final int MOST_FRAMES = 200_000;

    private final ProjectTree tree;
    private final NumberedFiles numbered;
    private final Set<String> companions;
    private final RootNames roots;
    private final Optional<CandidateSearch> candidates;
    private final Lookup lookup;
    private final LooseLinks loose;
    private final OldRoots oldRoots;
    private final LinkResolver bare;
    /** Documents that another one includes whose links may count from that one. */
    private final Map<ProjectPath, Includer> includers;

    /** A document that includes another, and what stands before the paths in that one. */
    private record Includer(ProjectPath document, String prefix) {}

    LinkResolver(ProjectTree tree, NumberedFiles numbered, Set<String> companions, RootNames roots, List<LinkAddress> declared,
            CandidateSearch candidates) {
        this.tree = tree;
        this.numbered = numbered;
        this.companions = companions;
        this.roots = roots;
        this.candidates = Optional.of(candidates);
        this.lookup = new Lookup(tree, numbered);
        this.loose = new LooseLinks(tree, lookup);
        this.oldRoots = new OldRoots(tree, numbered, declared, roots);
        this.includers = new HashMap<>();
        this.bare = new LinkResolver(this);
    }

    /** The same without candidates for what is broken. */
    private LinkResolver(LinkResolver full) {
        this.tree = full.tree;
        this.numbered = full.numbered;
        this.companions = full.companions;
        this.roots = full.roots;
        this.candidates = Optional.empty();
        this.lookup = full.lookup;
        this.loose = full.loose;
        this.oldRoots = full.oldRoots;
        this.includers = Map.of();
        this.bare = this;
    }

    /** All links of all documents, in order. */
    List<ResolvedLink> resolve(List<DocumentLinks> documents) {
        List<Link> links = documents.stream().flatMap(document -> document.links().stream()).toList();
        for (Link link : links) {
            if (link.standing() != Link.Standing.ENCLOSED && link.mayBeAbsolute()) {
                link.address().filter(address -> address.form().isAbsolute()).ifPresent(oldRoots::hear);
            }
            if (!link.forms().isEmpty()) {
                link.also().stream().flatMap(form -> link.under(form).address().stream()).filter(address -> address.form().isAbsolute())
                        .forEach(oldRoots::hear);
            }
        }
        documents.stream().filter(document -> countsFromIncluder(document))
                .forEach(document -> document.links().stream().filter(Link::includes).map(bare::resolve).filter(ResolvedLink::isFound)
                        .forEach(link -> includers.putIfAbsent(link.target().orElseThrow(),
                                new Includer(document.document(), link.link().inclusion().orElse("")))));
        List<ResolvedLink> out = new ArrayList<>(links.size());
        for (Link link : links) {
            ResolvedLink resolved = link.frames().isPresent() ? sequence(link, link.frames().get()) : resolve(link);
            if (!LooseLinks.isOfItself(resolved) && !LooseLinks.saysTooLittle(resolved)) {
                out.add(resolved);
            }
        }
        return Guesses.sifted(out);
    }

    private static boolean countsFromIncluder(DocumentLinks document) {
        return Formats.of(document.format()).flatMap(Format::links).filter(LinkReader::countsFromIncluder).isPresent();
    }

    private ResolvedLink resolve(Link link) {
        ResolvedLink first = one(link);
        if (first.outcome().isSound() || (link.also().isEmpty() && includers.isEmpty())) {
            return first;
        }
        return Stream.concat(link.also().stream().map(path -> bare.one(link.under(path))), fromIncluders(link))
                .filter(other -> other.isFound() && (!first.isFound() || other.outcome().isSound()))
                .findFirst().map(other -> other.of(link)).orElse(first);
    }

    /** The link looked up from every document that its own one is a part of. */
    private Stream<ResolvedLink> fromIncluders(Link link) {
        List<ResolvedLink> out = new ArrayList<>();
        Includer including = includers.get(link.file());
        // A part that says what stands before its paths is not told so by what includes it.
        boolean own = !link.path().equals(link.text());
        for (int depth = 0; including != null && depth < MOST_INCLUDING; depth++) {
            List<String> folder = including.document.parent().names();
            String prefix = own ? "" : including.prefix;
            Stream.concat(Stream.of(prefix + link.path()), link.also().stream()).map(link::under)
                    .forEach(one -> one.address().filter(address -> address.form() == LinkForm.RELATIVE)
                            .flatMap(address -> LinkAddress.resolve(folder, address.names()))
                            .ifPresent(names -> out.add(bare.within(one, LinkForm.RELATIVE, names))));
            including = includers.get(including.document);
        }
        return out.stream();
    }

    private ResolvedLink one(Link link) {
        if (link.standing() == Link.Standing.LOST) {
            return ResolvedLink.of(link, link.form(), Outcome.MISSING);
        }
        if (link.standing() == Link.Standing.LOST_BUT_FOR_CAPITALS) {
            ProjectPath member = ProjectPath.of(link.file().text() + "!/" + link.path());
            return ResolvedLink.of(link, LinkForm.RELATIVE, Outcome.MISSPELT).intended(member).target(member)
                    .overlooked(Overlooked.CAPITALS);
        }
        if (link.standing() == Link.Standing.ENCLOSED) {
            return ResolvedLink.of(link, LinkForm.EMBEDDED, Outcome.EMBEDDED);
        }
        Optional<LinkAddress> effective = link.address();
        if (effective.isEmpty()) {
            return ResolvedLink.of(link, link.form(), Outcome.OUTSIDE);
        }
        LinkAddress address = effective.get();
        LinkForm form = link.base().isEmpty() ? address.form() : link.form();
        ResolvedLink resolved = switch (address.form()) {
            case EMBEDDED -> ResolvedLink.of(link, form, Outcome.EMBEDDED);
            case REMOTE -> ResolvedLink.of(link, form, Outcome.REMOTE);
            case VARIABLE -> ResolvedLink.of(link, form, Outcome.UNKNOWN);
            case ROOTED -> loose.inSite(within(link, form, address.names()), address.names());
            case RELATIVE -> loose.loosely(relative(link, form, address.names()), address.names(),
                    (one, names) -> within(one, form, names));
            default -> absolute(link, form, address);
        };
        return withGaps(TemplateParts.isUnfilled(resolved) ? ResolvedLink.of(link, form, Outcome.UNKNOWN) : resolved);
    }

    private ResolvedLink withGaps(ResolvedLink resolved) {
        Optional<ProjectPath> set = resolved.target().filter(path -> resolved.outcome() != Outcome.MOVED && !tree.exists(path));
        return set.filter(path -> NumberedSet.in(path.name()).isPresent())
                .map(path -> resolved.gaps(numbered.gaps(path)).target(path.parent().child(setName(resolved.link())))).orElse(resolved);
    }

    private ResolvedLink relative(Link link, LinkForm form, List<String> names) {
        List<String> start = new ArrayList<>();
        start.add(TOP);
        start.addAll(link.file().parent().names());
        Optional<List<String>> reached = LinkAddress.resolve(start, names);
        boolean inside = reached.isPresent() && !reached.get().isEmpty() && reached.get().get(0).equals(TOP);
        boolean backslashed = names.stream().anyMatch(name -> name.indexOf('\\') >= 0);
        if (inside && backslashed && !lookup.exists(reached.get().subList(1, reached.get().size()))) {
            List<String> slashed = names.stream().flatMap(name -> Stream.of(name.split("\\\\", -1)))
                    .filter(name -> !name.isEmpty() && !name.equals(".")).toList();
            boolean stays = LinkAddress.resolve(start, slashed).filter(path -> !path.isEmpty() && path.get(0).equals(TOP)).isPresent();
            return stays ? within(link, form, reached.get().subList(1, reached.get().size())) : relative(link, form, slashed);
        }
        if (inside) {
            return within(link, form, reached.get().subList(1, reached.get().size()));
        }
        List<String> beside = reached.orElse(List.of());
        if (!beside.isEmpty() && companions.contains(beside.get(0))) {
            return companion(link, form, beside, Outcome.OK);
        }
        List<String> below = names.stream().filter(name -> !name.equals("..")).toList();
        return outside(ResolvedLink.of(link, form, Outcome.OUTSIDE), beside.isEmpty() ? below : beside, below);
    }

    /** A link that stays inside the root. */
    private ResolvedLink within(Link link, LinkForm form, List<String> names) {
        ProjectPath path = ProjectPath.of(names);
        Optional<Lookup.Found> found = lookup.find(link, path);
        if (found.isEmpty()) {
            return broken(ResolvedLink.of(link, form, Outcome.MISSING).intended(lookup.intended(link, path)));
        }
        if (found.get().overlooked().isEmpty()) {
            return ResolvedLink.of(link, form, Outcome.OK).intended(path).target(found.get().path());
        }
        return ResolvedLink.of(link, form, Outcome.MISSPELT).intended(lookup.intended(link, path)).target(found.get().path())
                .overlooked(found.get().overlooked().get());
    }

    private ResolvedLink companion(Link link, LinkForm form, List<String> names, Outcome whenFound) {
        ProjectPath path = ProjectPath.of("../" + String.join("/", names));
        if (tree.exists(path)) {
            return ResolvedLink.of(link, form, whenFound).intended(path).target(path);
        }
        boolean handedIn = tree.isFolder(ProjectPath.of("../" + names.get(0)));
        if (!handedIn) {
            return ResolvedLink.of(link, form, Outcome.UNKNOWN).intended(path);
        }
        Optional<ProjectPath> alike = tree.alike(path.text()).stream().findFirst();
        return alike
                .map(other -> ResolvedLink.of(link, form, Outcome.MISSPELT).intended(path).target(other)
                        .overlooked(Overlooked.CAPITALS_OR_ACCENTS))
                .orElseGet(() -> broken(ResolvedLink.of(link, form, Outcome.MISSING).intended(path)));
    }

    private ResolvedLink absolute(Link link, LinkForm form, LinkAddress address) {
        Optional<OldRoots.Split> split = oldRoots.trusted(address);
        if (split.isPresent()) {
            return pinned(link, form, address, split.get());
        }
        List<String> names = address.names();
        for (int i = 0; i < names.size(); i++) {
            if (companions.contains(names.get(i))
                    && tree.exists(ProjectPath.of("../" + String.join("/", names.subList(i, names.size()))))) {
                return companion(link, form, names.subList(i, names.size()), Outcome.PINNED).oldRoot(address.prefix(i));
            }
        }
        return outside(ResolvedLink.of(link, form, Outcome.OUTSIDE), names, names);
    }

    private ResolvedLink pinned(Link link, LinkForm form, LinkAddress address, OldRoots.Split split) {
        String root = address.prefix(split.names());
        Optional<Lookup.Found> found = lookup.exactOrAlike(split.rest())
                // Encoded twice: what is there shows it.
                .or(() -> link.notation().isUri() ? lookup.exactOrAlike(ProjectPath.of(PercentCoding.decode(split.rest().text())))
                        : Optional.empty());
        if (found.isPresent()) {
            return ResolvedLink.of(link, form, Outcome.PINNED).intended(split.rest()).target(found.get().path()).oldRoot(root)
                    .candidates(List.of(new Candidate(found.get().path(), Reason.SAME_PLACE, 0.98)));
        }
        return broken(ResolvedLink.of(link, form, Outcome.MISSING).intended(split.rest()).oldRoot(root));
    }

    /** Outside: names which other project it leads into, and what of the project has the same name. */
    private ResolvedLink outside(ResolvedLink link, List<String> folders, List<String> names) {
        Optional<String> other = folders.isEmpty() ? Optional.empty() : roots.otherProject(folders.subList(0, folders.size() - 1));
        List<Candidate> found = names.isEmpty() || candidates.isEmpty() ? List.of()
                : candidates.get().sameName(names).stream()
                        // With the name alone in common it may well be another file.
                        .map(candidate -> new Candidate(candidate.path(), candidate.reason(),
                                candidate.reason() == Reason.SAME_FOLDER ? Math.min(0.7, candidate.sure())
                                        : Math.min(0.45, candidate.sure())))
                        .toList();
        return link.otherProject(other).candidates(found);
    }

    /** A link to nothing: moved when the project holds the file elsewhere, else missing. */
    private ResolvedLink broken(ResolvedLink link) {
        ProjectPath intended = link.intended().orElseThrow();
        if (intended.isRoot() || candidates.isEmpty()) {
            return link;
        }
        List<Candidate> same = candidates.get().sameContent(intended);
        List<Candidate> found = same.isEmpty() ? candidates.get().sameName(intended.names(), Optional.of(intended)) : same;
        found = found.stream().filter(candidate -> !candidate.path().equals(link.link().file())).toList();
        if (found.isEmpty()) {
            return link.candidates(
                    candidates.get().similar(intended).stream().filter(candidate -> !candidate.path().equals(link.link().file())).toList());
        }
        ResolvedLink moved = new ResolvedLink(link.link(), link.form(), Outcome.MOVED, Optional.empty(), link.intended(), found,
                link.oldRoot(), Optional.empty(),
                Optional.empty(), List.of());
        return found.get(0).sure() >= 0.5 ? moved.target(found.get(0).path()) : moved;
    }

    /** A sequence is found as a set: by its first file's place, and then number by number. */
    private ResolvedLink sequence(Link link, Link.Frames frames) {
        List<Long> missing = new ArrayList<>();
        ResolvedLink first = null;
        ResolvedLink found = null;
        long count = Math.min(MOST_FRAMES, frames.count());
        for (long i = 0; i < count; i++) {
            long number = frames.first() + i * frames.step();
            // Candidates are looked for once; of the other frames only whether they are there.
            ResolvedLink resolved = (first == null ? this : bare).resolve(link.frame(number));
            first = first == null ? resolved : first;
            if (resolved.target().isPresent() && resolved.outcome() != Outcome.MOVED) {
                found = found == null ? resolved : found;
            } else {
                missing.add(number);
            }
            if (found == null && missing.size() > 1_000) {
                break;
            }
        }
        ResolvedLink example = found == null ? first : found;
        ResolvedLink whole = new ResolvedLink(link, example.form(), example.outcome(), Optional.empty(), example.intended(),
                found == null ? example.candidates() : List.of(),
                example.oldRoot(), example.overlooked(), example.otherProject(), found == null ? List.of() : Ranges.of(missing, frames));
        Optional<ProjectPath> target = example.target()
                .map(path -> path.parent().child(example.overlooked().isPresent() ? realName(path.name(), link, frames) : setName(link)));
        return target.isPresent() ? whole.target(target.get()) : whole;
    }

    /** A set's name by one of its files: the number is what differs. */
    private static String realName(String file, Link link, Link.Frames frames) {
        String number = frames.number(frames.first());
        int at = file.lastIndexOf(number);
        return at < 0 ? setName(link) : file.substring(0, at) + Link.FRAME_MARK + file.substring(at + number.length());
    }

    private static String setName(Link link) {
        String path = !link.notation().isUri() || link.text().indexOf("%0") >= 0 ? link.text() : PercentCoding.decode(link.text());
        return path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1);
    }
}
