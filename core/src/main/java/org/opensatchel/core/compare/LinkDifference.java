package org.opensatchel.core.compare;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.opensatchel.core.report.Report.LinkLine;

/**
 * What became of a project's links from one report to another. A link is known by its document and by what stands there.
 *
 * @param changes in the order of the later report, then what is gone
 */
public record LinkDifference(List<Change> changes) {

    /**
     * A link that is new, gone, or leads elsewhere.
     *
     * @param was its outcome before; empty when it is new
     * @param is its outcome now; empty when it is gone
     */
    public record Change(String document, String text, Optional<String> was, Optional<String> is) {}

    /**
     * Links in one document of which the same became.
     *
     * @param was their outcome before; empty when they are new
     * @param is their outcome now; empty when they are gone
     */
    public record Alike(String document, Optional<String> was, Optional<String> is, List<String> texts) {}

    private record Key(String document, String text) {}

    public static LinkDifference between(List<LinkLine> before, List<LinkLine> now) {
        Map<Key, String> was = outcomes(before);
        Map<Key, String> is = outcomes(now);
        List<Change> changes = new ArrayList<>();
        is.forEach((key, outcome) -> {
            String earlier = was.get(key);
            if (!outcome.equals(earlier)) {
                changes.add(new Change(key.document, key.text, Optional.ofNullable(earlier), Optional.of(outcome)));
            }
        });
        was.forEach((key, outcome) -> {
            if (!is.containsKey(key)) {
                changes.add(new Change(key.document, key.text, Optional.of(outcome), Optional.empty()));
            }
        });
        return new LinkDifference(List.copyOf(changes));
    }

    /** The same text may stand in a document twice, and then leads to the same. */
    private static Map<Key, String> outcomes(List<LinkLine> links) {
        Map<Key, String> out = new LinkedHashMap<>();
        links.forEach(link -> out.putIfAbsent(new Key(link.document(), link.text()), link.outcome()));
        return out;
    }

    /** Changes by document and by what became of them, each group where its first one stood. */
    public static List<Alike> alike(List<Change> changes) {
        return changes.stream()
                .collect(Collectors.groupingBy(one -> new Alike(one.document, one.was, one.is, List.of()), LinkedHashMap::new,
                        Collectors.mapping(Change::text, Collectors.toList())))
                .entrySet().stream()
                .map(group -> new Alike(group.getKey().document, group.getKey().was, group.getKey().is, group.getValue()))
                .toList();
    }
}
