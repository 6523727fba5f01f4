package org.opensatchel.core.lint;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.MOST_BYTES;
import static org.opensatchel.base.fact.FactName.PLACE;

import java.util.ArrayList;
import java.util.List;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.location.Machine;

/** The starter files fit the kit's own limits, and the disks of its machines. */
final class StarterSize implements LintRule {

    @Override
    public List<LintFault> judge(LintSubject subject) {
        Kit kit = subject.kit();
        List<LintFault> out = new ArrayList<>();
        long total = 0;
        for (int i = 0; i < kit.starter().size(); i++) {
            StarterFile file = kit.starter().get(i);
            String at = "/starter/" + i;
            total += file.bytes();
            kit.limits().fileBytes().ifPresent(most -> {
                if (file.bytes() > most) {
                    out.add(new LintFault(LintCode.FILE_TOO_LARGE, at,
                            LintWording.FILE_OVER_LIMIT.say(Facts.of(FOUND, file.path()).and(BYTES, file.bytes()).and(MOST_BYTES, most))));
                }
            });
            kit.machines().stream().flatMap(name -> Machine.shipped(name).stream()).filter(machine -> file.bytes() > machine.fileBytes())
                    .findFirst()
                    .ifPresent(machine -> out.add(new LintFault(LintCode.FILE_TOO_LARGE, at,
                            LintWording.FILE_OVER_MACHINE.say(Facts.of(FOUND, file.path()).and(BYTES, file.bytes())
                                    .and(MOST_BYTES, machine.fileBytes()).and(PLACE, machine.title())))));
        }
        long all = total;
        kit.limits().totalBytes().ifPresent(most -> {
            if (all > most) {
                out.add(new LintFault(LintCode.TOTAL_TOO_LARGE, "/limits/totalBytes",
                        LintWording.TOTAL_OVER_LIMIT.say(Facts.of(BYTES, all).and(MOST_BYTES, most))));
            }
        });
        return out;
    }
}
