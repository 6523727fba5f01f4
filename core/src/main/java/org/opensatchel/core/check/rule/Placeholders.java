package org.opensatchel.core.check.rule;

import static org.opensatchel.core.fact.FactName.BYTES;
import static org.opensatchel.core.fact.FactName.HOW;

import java.util.List;
import java.util.Set;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/** A file whose content stayed elsewhere: marked online-only, or nothing but zero bytes. */
final class Placeholders implements Rule<ContentEvidence> {

    @Override
    public Class<ContentEvidence> needs() {
        return ContentEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.PACKAGE_PLACEHOLDER);
    }

    @Override
    public List<Finding> judge(ContentEvidence evidence) {
        return evidence.files().stream()
                .filter(file -> file.entry().placeholder() || evidence.facts(file.path()).zeroFilled())
                .map(file -> Finding.of(Code.PACKAGE_PLACEHOLDER).path(file.path()).explains(new Cause(Cause.Kind.CONTENT, file.path()))
                        .fact(HOW, file.entry().placeholder() ? "online" : "zeros").fact(BYTES, file.bytes()).make())
                .toList();
    }
}
