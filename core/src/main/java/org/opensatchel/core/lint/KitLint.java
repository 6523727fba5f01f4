package org.opensatchel.core.lint;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.opensatchel.core.finding.Severity;

/** Checks a kit before it goes out: nothing in it may be broken, and nothing asked for that a student could not satisfy. */
public final class KitLint {

    /** All rules. Adding one is a class, a line here and its test. */
    private static final List<LintRule> RULES = List.of(new StarterThere(), new EmptyKit(), new TypeNowhere(), new NameContradiction(),
            new HeldNowhere(), new SameName(),
            new Roles(), new RootOfEach(), new PathLength(), new StarterSize(), new UnplannedPlace(), new FileLimit(), new Demands());

    private KitLint() {
    }

    /**
     * Everything wrong with a kit, the worst first, then in the order of the document.
     *
     * @throws IOException when a starter file breaks while it is read
     */
    public static List<LintFault> judge(LintSubject subject) throws IOException {
        List<LintFault> all = new ArrayList<>();
        for (LintRule rule : RULES) {
            all.addAll(rule.judge(subject));
        }
        // What the empty kit would be told most often follows from another fault; what is left comes up when that one is mended.
        if (all.stream().anyMatch(fault -> fault.code() != LintCode.NOT_CLEAN && fault.code().severity() == Severity.MUST)) {
            all.removeIf(fault -> fault.code() == LintCode.NOT_CLEAN);
        }
        all.sort(Comparator.comparing((LintFault fault) -> fault.code().severity()));
        return all;
    }

    public static boolean mayBePublished(List<LintFault> faults) {
        return faults.stream().noneMatch(fault -> fault.code().severity() == Severity.MUST);
    }
}
