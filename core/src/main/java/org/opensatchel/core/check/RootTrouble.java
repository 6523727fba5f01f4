package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.project.RootChoice.Trouble;

/** A package whose root is wrapped in another folder, stands among others, or is missing. */
final class RootTrouble implements Check {

    private static final Advice NESTED = Advice.of("The project lies inside another folder", "Links and locations are set for the project's own top folder, not for a folder around it.",
            "Open the outer folder and pack, or move, only the project folder in it.", "Delete the empty outer folder.");
    private static final Advice SEVERAL = Advice.of("More than one folder was handed in", "It has to be guessed which one is the project.",
            "Pack only the project folder, and nothing beside it.");
    private static final Advice NONE = Advice.of("The project folder itself is missing", "The files came without the folder that holds them, so its name is lost.",
            "Go one folder up, pack the project folder itself, and hand that in.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.PACKAGE_NESTED_ROOT, NESTED, Code.PACKAGE_SEVERAL_ROOTS, SEVERAL, Code.PACKAGE_NO_ROOT, NONE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.root().trouble().map(trouble -> List.of(finding(evidence, trouble))).orElse(List.of());
    }

    private Finding finding(Evidence evidence, Trouble trouble) {
        String name = evidence.root().name().orElse("");
        String message = switch (trouble.code()) {
            case PACKAGE_NESTED_ROOT -> trouble.path().isEmpty()
                    ? "“" + name + "” lies inside “" + String.join("/", trouble.others()) + "”. It was judged as the project."
                    : "All there is, is the archive “" + trouble.path() + "”. Archives inside an archive are not opened.";
            case PACKAGE_SEVERAL_ROOTS -> "“" + name + "” was taken for the project. Beside it lie " + listed(trouble.others()) + ".";
            default -> "The files lie loose, without the project folder around them: " + listed(trouble.others()) + ".";
        };
        return Finding.of(trouble.code(), catalogue().get(trouble.code())).path(ProjectPath.of(trouble.path()))
                .explains(new Cause(Cause.Kind.ROOT, ProjectPath.ROOT)).saying(message);
    }

    private static String listed(List<String> names) {
        List<String> shown = names.subList(0, Math.min(4, names.size())).stream().map(name -> "“" + name + "”").toList();
        return String.join(", ", shown) + (names.size() > 4 ? " and " + (names.size() - 4) + " more" : "");
    }
}
