package org.opensatchel.core.resolve;

import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.base.path.LinkAddress;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.project.ProjectTree;

/**
 * Which root absolute links were made under. A root is trusted when it is the declared location, when its last name is
 * the project's root's, or when links to two or more different files of the project agree on it.
 */
final class OldRoots {

    private static final int AGREEMENT = 2;

    /** A root and what lies under it. */
    record Split(int names, ProjectPath rest) {}

    private final ProjectTree tree;
    private final NumberedFiles numbered;
    private final List<LinkAddress> declared;
    private final RootNames own;
    private final Map<String, Set<ProjectPath>> votes = new HashMap<>();
    /** Of how many names roots are that were spoken for. */
    private final BitSet voted = new BitSet();

    OldRoots(ProjectTree tree, NumberedFiles numbered, List<LinkAddress> declared, RootNames own) {
        this.tree = tree;
        this.numbered = numbered;
        this.declared = declared.stream().filter(address -> address.form().isAbsolute()).toList();
        this.own = own;
    }

    /** Lets an absolute link speak for every root under which it would lead to a file of the project. */
    void hear(LinkAddress address) {
        List<String> names = address.names();
        // What is longer than the longest path there is leads to nothing.
        for (int count = Math.max(0, names.size() - tree.deepest()); count < names.size(); count++) {
            Optional<ProjectPath> found = found(ProjectPath.of(names.subList(count, names.size())));
            if (found.isPresent()) {
                votes.computeIfAbsent(address.prefixKey(count), key -> new HashSet<>()).add(found.get());
                voted.set(count);
            }
        }
    }

    private Optional<ProjectPath> found(ProjectPath path) {
        if (tree.file(path).isPresent()) {
            return Optional.of(path);
        }
        return tree.alike(path.text()).stream().filter(other -> tree.file(other).isPresent()).findFirst()
                .or(() -> numbered.files(path).stream().findFirst());
    }

    /** The trusted root of an absolute link, and the rest of its path. */
    Optional<Split> trusted(LinkAddress address) {
        return declaredSplit(address).or(() -> namedSplit(address)).or(() -> agreedSplit(address));
    }

    private Optional<Split> declaredSplit(LinkAddress address) {
        return declared.stream()
                .map(root -> root.names().size() <= address.names().size() && isUnder(root, address) ? root.names().size() : -1)
                .filter(count -> count >= 0).max(Comparator.naturalOrder()).map(count -> split(address, count));
    }

    private static boolean isUnder(LinkAddress root, LinkAddress address) {
        int count = root.names().size();
        return root.prefixKey(count).equals(address.prefixKey(count));
    }

    private Optional<Split> namedSplit(LinkAddress address) {
        List<String> names = address.names();
        Optional<Split> last = Optional.empty();
        for (int count = 1; count <= names.size(); count++) {
            boolean may = last.isEmpty() || names.size() - count <= tree.deepest();
            if (may && own.isOwn(names.get(count - 1))) {
                Split split = split(address, count);
                if (last.isEmpty() || found(split.rest).isPresent()) {
                    last = Optional.of(split);
                }
            }
        }
        return last;
    }

    private Optional<Split> agreedSplit(LinkAddress address) {
        int best = -1;
        int most = AGREEMENT - 1;
        for (int count = voted.nextSetBit(0); count >= 0 && count <= address.names().size(); count = voted.nextSetBit(count + 1)) {
            int agreeing = votes.getOrDefault(address.prefixKey(count), Set.of()).size();
            if (agreeing > most) {
                most = agreeing;
                best = count;
            }
        }
        return best < 0 ? Optional.empty() : Optional.of(split(address, best));
    }

    private static Split split(LinkAddress address, int count) {
        return new Split(count, ProjectPath.of(address.names().subList(count, address.names().size())));
    }

    /** The old root most pinned links share; the first in order where several share the most. */
    static Optional<String> inferred(List<ResolvedLink> links) {
        Map<String, Integer> counts = new TreeMap<>();
        links.stream().filter(link -> link.outcome() == Outcome.PINNED).flatMap(link -> link.oldRoot().stream())
                .forEach(root -> counts.merge(root, 1, Integer::sum));
        return counts.entrySet().stream()
                .max(Map.Entry.<String, Integer>comparingByValue().thenComparing(Map.Entry.comparingByKey(Comparator.reverseOrder())))
                .map(Map.Entry::getKey);
    }
}
