package org.opensatchel.core.lint;

import java.util.ArrayList;
import java.util.List;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.kit.Kit.StarterFile;
import org.opensatchel.core.machine.Machine;

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
                    out.add(new LintFault(LintCode.FILE_TOO_LARGE, at, "“" + file.path() + "” has " + file.bytes() + " bytes; the kit allows " + most + " for one file.", "Raise the limit, or make the file smaller."));
                }
            });
            kit.machines().stream().flatMap(name -> Machine.shipped(name).stream()).filter(machine -> file.bytes() > machine.fileBytes()).findFirst()
                    .ifPresent(machine -> out.add(new LintFault(LintCode.FILE_TOO_LARGE, at, "“" + file.path() + "” has " + file.bytes() + " bytes; “" + machine.title() + "” holds no file over " + machine.fileBytes() + ".",
                            "Make the file smaller, or leave that machine out.")));
        }
        long all = total;
        kit.limits().totalBytes().ifPresent(most -> {
            if (all > most) {
                out.add(new LintFault(LintCode.TOTAL_TOO_LARGE, "/limits/totalBytes", "The starter files have " + all + " bytes together; a whole project may have " + most + ".", "Raise the limit, or take files out."));
            }
        });
        return out;
    }
}
