package org.opensatchel.core.check;

import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link to a file that lies somewhere else in the project by now. */
final class MovedLink extends LinkCheck {

    private static final Advice ADVICE = Advice.of("A linked file was moved", "The document looks where the file was when it was linked.",
            "Open the document and link the file again where it is now.", "Or move the file back to where the document looks.", "Save, and hand in again.");

    MovedLink() {
        super(Outcome.MOVED);
    }

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_MOVED, ADVICE);
    }

    @Override
    Finding judge(Evidence evidence, ResolvedLink link) {
        String where = link.target().map(path -> "“" + path + "” is. Was it moved after you linked it?")
                .orElseGet(() -> "More than one file could be meant: " + String.join(", ", link.candidates().stream().map(candidate -> "“" + candidate.path() + "”").toList()) + ".");
        return finding(evidence, Code.LINK_MOVED, ADVICE, link).saying("“" + link.intended().map(Object::toString).orElse(name(link)) + "” is not in the folder. " + where);
    }
}
