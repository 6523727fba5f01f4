package org.opensatchel.core.resolve;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.formats.link.Link;

/**
 * A link and where it leads.
 *
 * @param target the file's real path for {@code ok}, {@code pinned}, {@code misspelt} and a single {@code moved}
 * @param intended the path inside the project the link asks for, found or not
 * @param oldRoot the root an absolute link was made under, as written there
 * @param overlooked what has to be overlooked to find a misspelt one
 * @param otherProject the other project's root an outside link leads into
 * @param gaps the numbers missing from a sequence, as ranges
 */
public record ResolvedLink(Link link, LinkForm form, Outcome outcome, Optional<ProjectPath> target, Optional<ProjectPath> intended,
        List<Candidate> candidates,
        Optional<String> oldRoot, Optional<Overlooked> overlooked, Optional<String> otherProject, List<String> gaps) {

    static ResolvedLink of(Link link, LinkForm form, Outcome outcome) {
        return new ResolvedLink(link, form, outcome, Optional.empty(), Optional.empty(), List.of(), Optional.empty(), Optional.empty(),
                Optional.empty(), List.of());
    }

    /** The same outcome for a link that was looked up in another way. */
    ResolvedLink of(Link other) {
        return new ResolvedLink(other, form, outcome, target, intended, candidates, oldRoot, overlooked, otherProject, gaps);
    }

    ResolvedLink target(ProjectPath found) {
        return new ResolvedLink(link, form, outcome, Optional.of(found), intended, candidates, oldRoot, overlooked, otherProject, gaps);
    }

    ResolvedLink intended(ProjectPath path) {
        return new ResolvedLink(link, form, outcome, target, Optional.of(path), candidates, oldRoot, overlooked, otherProject, gaps);
    }

    ResolvedLink candidates(List<Candidate> found) {
        return new ResolvedLink(link, form, outcome, target, intended, found, oldRoot, overlooked, otherProject, gaps);
    }

    ResolvedLink oldRoot(String root) {
        return new ResolvedLink(link, form, outcome, target, intended, candidates, Optional.of(root), overlooked, otherProject, gaps);
    }

    ResolvedLink overlooked(Overlooked what) {
        return new ResolvedLink(link, form, outcome, target, intended, candidates, oldRoot, Optional.of(what), otherProject, gaps);
    }

    ResolvedLink otherProject(Optional<String> root) {
        return new ResolvedLink(link, form, outcome, target, intended, candidates, oldRoot, overlooked, root, gaps);
    }

    ResolvedLink gaps(List<String> ranges) {
        return new ResolvedLink(link, form, outcome, target, intended, candidates, oldRoot, overlooked, otherProject, ranges);
    }

    /** The best candidate, when it is sure enough to be proposed. */
    public Optional<Candidate> proposal() {
        return candidates.stream().findFirst().filter(candidate -> candidate.sure() >= 0.5);
    }

    /** What the name that is asked for and that of the file found differ in. */
    public Optional<Phrase> difference() {
        return target.flatMap(this::difference);
    }

    /** The same for another file: by the first names on the way that differ. */
    public Optional<Phrase> difference(ProjectPath other) {
        List<String> mine = intended.map(ProjectPath::names).orElse(List.of());
        List<String> its = other.names();
        if (mine.size() != its.size()) {
            return mine.isEmpty() || its.isEmpty() ? Optional.empty()
                    : Difference.between(mine.get(mine.size() - 1), its.get(its.size() - 1));
        }
        for (int i = 0; i < mine.size(); i++) {
            if (!mine.get(i).equals(its.get(i))) {
                return Difference.between(mine.get(i), its.get(i));
            }
        }
        return Optional.empty();
    }

    /** Whether it has a part that a template was to fill in. */
    public boolean unfilled() {
        return TemplateParts.isUnfilled(this);
    }

    /** Whether the very file it asks for is in the project, though perhaps under a path that opens only here. */
    public boolean isFound() {
        return target.isPresent() && outcome != Outcome.MOVED;
    }
}
