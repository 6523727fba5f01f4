package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.BYTES;
import static org.opensatchel.base.fact.FactName.FOUND;
import static org.opensatchel.base.fact.FactName.HOW;

import java.util.List;
import java.util.Set;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;
import org.opensatchel.core.project.ProjectFile;

/** A file whose content stayed elsewhere: marked online-only, or nothing but zero bytes. */
final class Placeholders implements Rule<PlaceholderEvidence> {

    @Override
    public Class<PlaceholderEvidence> needs() {
        return PlaceholderEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.PACKAGE_PLACEHOLDER);
    }

    @Override
    public List<Finding> judge(PlaceholderEvidence evidence) {
        Set<ProjectPath> hidden = Set.copyOf(evidence.standIns().hidden());
        return evidence.files().stream()
                .filter(file -> file.entry().placeholder() || evidence.facts(file.path()).zeroFilled() || hidden.contains(file.path()))
                .map(file -> finding(file, hidden.contains(file.path()))).toList();
    }

    private static Finding finding(ProjectFile file, boolean hidden) {
        Finding.Builder finding = Finding.of(Code.PACKAGE_PLACEHOLDER).path(file.path())
                .explains(new Cause(Cause.Kind.CONTENT, file.path())).fact(BYTES, file.bytes());
        if (hidden) {
            StandIns.hides(file.path())
                    .ifPresent(wanted -> finding.explains(new Cause(Cause.Kind.SHORTCUT, wanted)).fact(FOUND, wanted.name()));
        }
        return finding.fact(HOW, hidden ? "hidden" : file.entry().placeholder() ? "online" : "zeros").make();
    }
}
