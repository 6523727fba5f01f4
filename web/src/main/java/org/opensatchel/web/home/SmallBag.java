package org.opensatchel.web.home;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.opensatchel.core.kit.FolderRule;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.naming.RosterFields;
import org.opensatchel.core.report.PlanFound;
import org.opensatchel.web.text.Speech;

/**
 * A project's plan in small: its topmost folders as bands, and what lies in each.
 *
 * @param root the name of the project folder; empty where it cannot be made
 * @param more how many more folders there are than are drawn
 */
public record SmallBag(String root, List<Band> bands, int more) {

    private static final int MOST = 8;

    /**
     * A folder.
     *
     * @param kind {@code filled}, {@code missing}, or by the plan alone {@code required} or {@code optional}
     * @param says how much lies in it, or that it is missing; empty by the plan alone
     * @param share of a class: how many in a hundred have it filled; below 0 where it is one project's
     */
    public record Band(String name, String kind, String says, int share) {
        Band(String name, String kind, String says) {
            this(name, kind, says, -1);
        }
    }

    /**
     * A project's.
     *
     * @param found what was there in the project that was sent last; empty where none was
     */
    static SmallBag of(Kit kit, RosterFields fields, Optional<PlanFound> found) {
        Map<String, Band> bands = new LinkedHashMap<>();
        for (FolderRule rule : kit.folders()) {
            String path = rule.path().example(fields, kit.ascii());
            boolean drawn = path.indexOf('/') < 0 && rule.need() != org.opensatchel.core.kit.Need.FORBIDDEN;
            if (drawn) {
                bands.putIfAbsent(path, new Band(path, rule.need().word(), ""));
            }
        }
        found.ifPresent(there -> there.lines().stream().filter(PlanFound.Line::folder).filter(line -> line.planned().isPresent())
                .forEach(line -> bands.computeIfPresent(line.path(), (path, band) -> filled(band, line, there))));
        List<Band> all = new ArrayList<>(bands.values());
        return new SmallBag(kit.root().make(fields, kit.ascii()).orElse(""), all.subList(0, Math.min(MOST, all.size())),
                Math.max(0, all.size() - MOST));
    }

    /**
     * A class's: how many of those who handed in have files in each folder. A folder that is called differently for everybody is only drawn.
     *
     * @param filled by the names of folders
     */
    static SmallBag of(Kit kit, Map<String, Integer> filled, int handed) {
        SmallBag plan = of(kit, RosterFields.NONE, Optional.empty());
        if (handed == 0) {
            return plan;
        }
        Set<String> named = kit.folders().stream().map(rule -> rule.path().text()).collect(Collectors.toSet());
        return new SmallBag(plan.root, plan.bands.stream().map(band -> {
            if (!named.contains(band.name)) {
                return band;
            }
            int have = Math.min(handed, filled.getOrDefault(band.name, 0));
            return new Band(band.name, band.kind, Speech.say("home.folder-filled", have, handed), 100 * have / handed);
        }).toList(), plan.more);
    }

    private static Band filled(Band band, PlanFound.Line line, PlanFound there) {
        if (!line.exists()) {
            return new Band(band.name, line.state() == PlanFound.State.missing ? "missing" : band.kind,
                    line.state() == PlanFound.State.missing ? Speech.say("plan-found.note-missing") : "");
        }
        int files = there.filesIn(line);
        return new Band(band.name, files > 0 ? "filled" : band.kind, Speech.say("plan-found.files", files));
    }
}
