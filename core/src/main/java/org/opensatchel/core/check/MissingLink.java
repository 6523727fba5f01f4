package org.opensatchel.core.check;

import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link to a file that should be in the project and is not. */
final class MissingLink extends LinkCheck {

    private static final Advice ADVICE = Advice.of("A linked file is missing", "The document opens with a hole where this file should be.",
            "Look for the file on your disk, and copy it into the project folder.", "Open the document and link that copy.", "Save, and hand in again.");

    MissingLink() {
        super(Outcome.MISSING);
    }

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_MISSING, ADVICE);
    }

    @Override
    Finding judge(Evidence evidence, ResolvedLink link) {
        String meant = link.candidates().stream().findFirst().map(MissingLink::meant).orElse("Nothing like it is.");
        return finding(evidence, Code.LINK_MISSING, ADVICE, link).saying("“" + link.intended().filter(path -> !path.isRoot()).map(Object::toString).orElse(link.link().text())
                + "” is not in the folder. " + meant);
    }

    private static String meant(Candidate candidate) {
        return "“" + candidate.path() + "” is (" + candidate.why() + "). Was it renamed after you linked it?";
    }
}
