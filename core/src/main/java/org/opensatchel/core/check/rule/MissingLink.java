package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.CANDIDATE;
import static org.opensatchel.base.fact.FactName.DIFFERENCE;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.REASON;
import static org.opensatchel.base.fact.FactName.WANTED;

import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.opensatchel.base.path.LinkForm;
import org.opensatchel.base.path.Notation;
import org.opensatchel.core.finding.Candidate;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.resolve.Outcome;
import org.opensatchel.core.resolve.ResolvedLink;

/** A link to a file that should be in the project and is not. */
final class MissingLink extends LinkCheck {

    /** The ends of host names that people write most, none of which is a file's. */
    private static final Pattern ADDRESS = Pattern.compile("(?i)(?:www\\.[a-z0-9-]+(?:\\.[a-z0-9-]+)+|[a-z0-9-]+(?:\\.[a-z0-9-]+)*\\."
            + "(?:com|org|net|edu|gov|info|io|dev|app|example|de|at|ch|fr|uk|nl|be|it|es|se|no|dk|fi|eu|us|ca|au|nz|jp|br))(?:[/?#:].*)?");

    MissingLink() {
        super(Outcome.MISSING);
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.LINK_MISSING);
    }

    @Override
    Finding judge(LinkEvidence evidence, ResolvedLink link) {
        Optional<Candidate> candidate = link.candidates().stream().findFirst();
        return finding(evidence, Code.LINK_MISSING, link)
                .fact(WANTED, link.intended().filter(path -> !path.isRoot()).map(Object::toString).orElse(link.link().text()))
                .fact(CANDIDATE, candidate.map(Candidate::path)).fact(REASON, candidate.map(Candidate::reason))
                .fact(DIFFERENCE, candidate.flatMap(there -> link.difference(there.path())))
                .fact(HOW, Optional.of("address").filter(web -> isAddress(link))).make();
    }

    /** Whether a text that is no path in the project looks like an address on the web whose beginning was left out. */
    private static boolean isAddress(ResolvedLink link) {
        return link.form() == LinkForm.RELATIVE && link.link().notation() == Notation.WEB
                && ADDRESS.matcher(link.link().text()).matches();
    }
}
