package org.opensatchel.core.check;

import java.util.Map;
import java.util.Optional;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.path.ProjectPath;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link whose file is found only on systems that overlook a difference in the name. */
final class MisspeltLink extends LinkCheck {

    private static final Advice ADVICE = Advice.of("A link and its file differ in spelling", "It opens on some machines only, and not where names count letter by letter.",
            "Open the document and link the file again, so that the spelling is the file's own.", "Save, and hand in again.");

    MisspeltLink() {
        super(Outcome.MISSPELT);
    }

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_MISSPELT, ADVICE);
    }

    @Override
    Finding judge(Evidence evidence, ResolvedLink link) {
        ProjectPath target = link.target().orElseThrow();
        return finding(evidence, Code.LINK_MISSPELT, ADVICE, link).proposal(Optional.of(new Candidate(target, "the file itself", 0.95)))
                .saying("“" + target + "” is linked as “" + link.link().text() + "”: they differ in " + link.overlooked().orElse("spelling") + ".");
    }
}
