package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.OTHERS;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.ResolvedLink;

/** Documents that include one another in a circle: one finding a circle, told at the first of its documents. */
final class InclusionCycle implements Rule<LinkEvidence> {

    @Override
    public Class<LinkEvidence> needs() {
        return LinkEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_CYCLE);
    }

    @Override
    public List<Finding> judge(LinkEvidence evidence) {
        Map<ProjectPath, List<ResolvedLink>> including = new TreeMap<>();
        evidence.links().stream().filter(link -> link.link().includes() && link.isFound())
                .forEach(link -> including.computeIfAbsent(link.link().file(), file -> new ArrayList<>()).add(link));
        dropWhatEnds(including);
        dropWhatBegins(including);
        List<Finding> out = new ArrayList<>();
        Set<ProjectPath> told = new HashSet<>();
        for (ProjectPath document : including.keySet()) {
            if (!told.contains(document)) {
                circle(including, document, told).ifPresent(circle -> {
                    circle.forEach(link -> told.add(link.link().file()));
                    out.add(finding(circle));
                });
            }
        }
        return out;
    }

    /** Leaves only documents from which a circle is reached; long chains that end are gone in one pass. */
    private static void dropWhatEnds(Map<ProjectPath, List<ResolvedLink>> including) {
        Map<ProjectPath, Integer> open = new HashMap<>();
        Map<ProjectPath, List<ProjectPath>> includedBy = new HashMap<>();
        Deque<ProjectPath> ended = new ArrayDeque<>();
        including.forEach((document, links) -> {
            links.removeIf(link -> !including.containsKey(link.target().orElseThrow()));
            links.forEach(link -> includedBy.computeIfAbsent(link.target().orElseThrow(), target -> new ArrayList<>()).add(document));
            open.put(document, links.size());
            if (links.isEmpty()) {
                ended.add(document);
            }
        });
        while (!ended.isEmpty()) {
            ProjectPath document = ended.poll();
            including.remove(document);
            for (ProjectPath includer : includedBy.getOrDefault(document, List.of())) {
                if (open.merge(includer, -1, Integer::sum) == 0) {
                    ended.add(includer);
                }
            }
        }
    }

    /** Leaves only documents that are reached from a circle: what merely leads to one is no part of it. */
    private static void dropWhatBegins(Map<ProjectPath, List<ResolvedLink>> including) {
        Map<ProjectPath, Integer> reached = new HashMap<>();
        including.values().forEach(links -> links.removeIf(link -> !including.containsKey(link.target().orElseThrow())));
        including.values().forEach(links -> links.forEach(link -> reached.merge(link.target().orElseThrow(), 1, Integer::sum)));
        Deque<ProjectPath> begun = new ArrayDeque<>(
                including.keySet().stream().filter(document -> !reached.containsKey(document)).toList());
        while (!begun.isEmpty()) {
            for (ResolvedLink link : including.remove(begun.poll())) {
                if (reached.merge(link.target().orElseThrow(), -1, Integer::sum) == 0) {
                    begun.add(link.target().orElseThrow());
                }
            }
        }
    }

    /** The shortest way from a document back to itself, each document looked at once. */
    private static Optional<List<ResolvedLink>> circle(Map<ProjectPath, List<ResolvedLink>> including, ProjectPath start,
            Set<ProjectPath> told) {
        Map<ProjectPath, ResolvedLink> reachedBy = new HashMap<>();
        Deque<ProjectPath> next = new ArrayDeque<>(List.of(start));
        while (!next.isEmpty()) {
            ProjectPath document = next.poll();
            for (ResolvedLink link : including.getOrDefault(document, List.of())) {
                ProjectPath target = link.target().orElseThrow();
                if (target.equals(start)) {
                    return Optional.of(back(reachedBy, start, link));
                }
                if (!told.contains(target) && including.containsKey(target) && reachedBy.putIfAbsent(target, link) == null) {
                    next.add(target);
                }
            }
        }
        return Optional.empty();
    }

    private static List<ResolvedLink> back(Map<ProjectPath, ResolvedLink> reachedBy, ProjectPath start, ResolvedLink last) {
        List<ResolvedLink> way = new ArrayList<>();
        for (ResolvedLink link = last; link != null; link = link.link().file().equals(start) ? null : reachedBy.get(link.link().file())) {
            way.add(link);
        }
        Collections.reverse(way);
        return way;
    }

    private static Finding finding(List<ResolvedLink> circle) {
        ResolvedLink first = circle.get(0);
        List<ProjectPath> others = circle.stream().map(link -> link.target().orElseThrow()).limit(circle.size() - 1L).toList();
        return Finding.of(Code.LINK_CYCLE).path(first.link().document()).at(first.link().at())
                .fact(OTHERS, others.isEmpty() ? Optional.empty() : Optional.of(others)).make();
    }
}
