package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.OTHER;
import static org.opensatchel.base.fact.FactName.PLACE;
import static org.opensatchel.base.fact.FactName.ROLE;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.kit.Demand;
import org.opensatchel.core.kit.FolderPattern;
import org.opensatchel.core.kit.Kit;

/** Demands that speak of what the kit does not have: a role, a starter file, a folder, or a choice of one. */
final class Demands implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        List<LintFault> out = new ArrayList<>();
        Kit kit = subject.kit();
        for (int i = 0; i < kit.documents().size(); i++) {
            String role = kit.documents().get(i).role();
            List<Demand.Linking> links = kit.demands(Demand.Linking.class).stream().filter(link -> link.role().equals(role)).toList();
            for (int j = 0; j < links.size(); j++) {
                link(kit, links.get(j), "/documents/" + i + "/links/" + j, out);
            }
        }
        List<Demand.Sizes> sizes = kit.demands(Demand.Sizes.class);
        for (int i = 0; i < sizes.size(); i++) {
            unplanned(kit, sizes.get(i).in(), "/limits/per/" + i + "/in", out);
        }
        List<Demand.Proxies> proxies = kit.demands(Demand.Proxies.class);
        for (int i = 0; i < proxies.size(); i++) {
            unplanned(kit, proxies.get(i).in(), "/proxies/" + i + "/in", out);
        }
        alone(kit, out);
        return out;
    }

    private static void link(Kit kit, Demand.Linking link, String at, List<LintFault> out) {
        unplanned(kit, link.in(), at + "/in", out);
        link.other().filter(other -> roles(kit).noneMatch(other::equals)).ifPresent(other -> out.add(new LintFault(LintCode.ROLE_UNKNOWN,
                at + "/role", LintWording.LINKS_NO_ROLE.say(Facts.of(ROLE, link.role()).and(OTHER, other)))));
        link.starter().filter(path -> kit.starter().stream().noneMatch(file -> file.path().composed().equals(path.composed())))
                .ifPresent(path -> out.add(new LintFault(LintCode.STARTER_MISSING, at + "/starter",
                        LintWording.LINKS_NO_STARTER.say(Facts.of(ROLE, link.role()).and(FOUND, path)))));
    }

    private static void unplanned(Kit kit, Optional<FolderPattern> in, String at, List<LintFault> out) {
        in.filter(folder -> kit.folders().stream().noneMatch(rule -> rule.path().key().equals(folder.key()))).ifPresent(folder -> out
                .add(new LintFault(LintCode.FOLDER_UNPLANNED, at, LintWording.DEMAND_UNPLANNED.say(Facts.of(PLACE, folder.text())))));
    }

    private static Stream<String> roles(Kit kit) {
        return Stream.concat(kit.documents().stream().map(Kit.DocumentRule::role), kit.files().stream().map(Kit.FileRule::role));
    }

    private static void alone(Kit kit, List<LintFault> out) {
        Map<String, Integer> members = new HashMap<>();
        Stream.concat(kit.documents().stream().map(Kit.DocumentRule::either), kit.files().stream().map(Kit.FileRule::either))
                .flatMap(Optional::stream).forEach(group -> members.merge(group, 1, Integer::sum));
        for (int i = 0; i < kit.documents().size(); i++) {
            alone(members, kit.documents().get(i).role(), kit.documents().get(i).either(), "/documents/" + i + "/either", out);
        }
        for (int i = 0; i < kit.files().size(); i++) {
            alone(members, kit.files().get(i).role(), kit.files().get(i).either(), "/files/" + i + "/either", out);
        }
    }

    private static void alone(Map<String, Integer> members, String role, Optional<String> group, String at, List<LintFault> out) {
        group.filter(word -> members.get(word) == 1).ifPresent(word -> out
                .add(new LintFault(LintCode.EITHER_ALONE, at, LintWording.EITHER_ALONE.say(Facts.of(ROLE, role).and(OTHER, word)))));
    }
}
