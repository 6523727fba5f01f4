package org.opensatchel.web.home;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
     */
    public record Band(String name, String kind, String says) {}

    /**
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

    private static Band filled(Band band, PlanFound.Line line, PlanFound there) {
        boolean isThere = line.state() != PlanFound.State.missing && line.state() != PlanFound.State.absent;
        if (!isThere) {
            return new Band(band.name, line.state() == PlanFound.State.missing ? "missing" : band.kind,
                    line.state() == PlanFound.State.missing ? Speech.say("plan-found.note-missing") : "");
        }
        int files = there.lines().stream().filter(one -> one.path().equals(line.path()) || one.path().startsWith(line.path() + "/"))
                .mapToInt(one -> one.folder() ? one.files() : 1).sum();
        return new Band(band.name, files > 0 ? "filled" : band.kind, Speech.say("plan-found.files", files));
    }
}
