package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.EXPECTED;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.OTHERS;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.match.PlannedRole;
import org.opensatchel.core.match.Proxy;
import org.opensatchel.formats.timeline.Timeline;

/** Stand-ins of lower resolution: each belongs to an original, and what is handed in shows the originals. */
final class ProxyFiles implements Rule<TimelineMediaEvidence> {

    @Override
    public Class<TimelineMediaEvidence> needs() {
        return TimelineMediaEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.ASSET_PROXY_ALONE, Code.TIMELINE_PROXY_USED);
    }

    @Override
    public List<Finding> judge(TimelineMediaEvidence evidence) {
        if (evidence.proxies().isEmpty()) {
            return List.of();
        }
        List<Finding> out = new ArrayList<>();
        evidence.proxies().values().stream().filter(proxy -> !proxy.isMadeOfOriginal()).map(ProxyFiles::alone).forEach(out::add);
        Set<ProjectPath> delivered = delivered(evidence);
        evidence.timelines().stream().filter(timeline -> !evidence.isOlder(timeline.document()))
                .filter(timeline -> delivered.isEmpty() || delivered.contains(timeline.document()))
                .forEach(timeline -> used(evidence, timeline, out));
        return out;
    }

    private static Finding alone(Proxy proxy) {
        return Finding.of(Code.ASSET_PROXY_ALONE).path(proxy.path()).fact(HOW, proxy.fit().name().toLowerCase(Locale.ROOT))
                .fact(EXPECTED, proxy.wanted()).fact(OTHER, proxy.original()).make();
    }

    /** The documents the kit asks for, where one is there: beside them somebody may try out what they like. */
    private static Set<ProjectPath> delivered(TimelineMediaEvidence evidence) {
        Set<ProjectPath> out = new HashSet<>();
        evidence.plan().ifPresent(plan -> plan.roles().stream().filter(PlannedRole::document)
                .forEach(role -> Stream.of(role.fitting(), role.misnamed(), role.misplaced()).forEach(out::addAll)));
        return out;
    }

    private static void used(TimelineMediaEvidence evidence, Timeline timeline, List<Finding> out) {
        List<ProjectPath> shown = evidence.used(timeline).keySet().stream().filter(evidence.proxies()::containsKey).toList();
        if (!shown.isEmpty()) {
            out.add(Finding.of(Code.TIMELINE_PROXY_USED).path(timeline.document()).at(timeline.at()).fact(COUNT, shown.size())
                    .fact(OTHERS, shown).make());
        }
    }
}
