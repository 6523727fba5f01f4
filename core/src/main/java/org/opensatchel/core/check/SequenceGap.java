package org.opensatchel.core.check;

import java.util.List;
import java.util.Map;
import org.opensatchel.core.finding.Advice;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/** A numbered sequence of which some files are missing: one finding, the gaps as ranges. */
final class SequenceGap implements Check {

    private static final int MOST_SHOWN = 20;
    private static final Advice ADVICE = Advice.of("A sequence has gaps", "The film stutters, or stops, where a picture is missing.",
            "Render or copy the missing numbers into the same folder.", "Hand in again.");

    @Override
    public Map<Code, Advice> catalogue() {
        return Map.of(Code.LINK_SEQUENCE_GAP, ADVICE);
    }

    @Override
    public List<Finding> judge(Evidence evidence) {
        return evidence.resolution().links().stream().filter(link -> !link.gaps().isEmpty())
                .map(link -> LinkCheck.finding(evidence, Code.LINK_SEQUENCE_GAP, ADVICE, link)
                        .saying("Of “" + link.link().text() + "” these numbers are missing: " + String.join(", ", link.gaps().subList(0, Math.min(MOST_SHOWN, link.gaps().size())))
                                + (link.gaps().size() > MOST_SHOWN ? " and more" : "") + "."))
                .toList();
    }
}
