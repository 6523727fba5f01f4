package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/** A file whose content stayed elsewhere: marked online-only, or nothing but zero bytes. */
final class Placeholders implements Check {

    private static final Advice ADVICE = Advice.of("Only a placeholder was handed in", "The name is there, the content is still online.",
            "Open the synced folder on your computer and have the file kept on this device.", "Wait until it has been fetched, then copy it into the project and hand in again.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.PACKAGE_PLACEHOLDER, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.tree().ownFiles().stream()
                .filter(file -> file.entry().placeholder() || evidence.scan().facts(file.path()).zeroFilled())
                .map(file -> Finding.of(Code.PACKAGE_PLACEHOLDER, ADVICE).path(file.path()).explains(new Cause(Cause.Kind.CONTENT, file.path()))
                        .saying("“" + file.path().name() + "” is there by name only: " + (file.entry().placeholder() ? "it is marked as online-only." : "all its " + file.bytes() + " bytes are zero.")))
                .toList();
    }
}
