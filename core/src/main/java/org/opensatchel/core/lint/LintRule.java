package org.opensatchel.core.lint;

import java.io.IOException;
import java.util.List;

/** One way in which a kit can be wrong. */
interface LintRule {

    List<LintFault> judge(LintSubject subject) throws IOException;
}
