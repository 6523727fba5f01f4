package org.opensatchel.core.check.brief;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.fact.Phrase;
import org.opensatchel.base.path.ProjectPath;
import org.opensatchel.core.kit.MediaRule;

/**
 * A file of which a brief asks something, and what came of it.
 *
 * @param rules what is asked for, the file's own brief first
 * @param unjudged what is asked for and cannot be told
 * @param why what it cannot be told for; {@link Why#NONE} where all of it can
 * @param codec of the sound that could not be listened to
 */
public record Briefed(ProjectPath path, List<MediaRule> rules, List<Mismatch> mismatches, List<BriefWording> unjudged, Why why,
        Optional<String> codec) {

    /** Why something of a brief cannot be judged. */
    public enum Why {
        NONE,
        /** Its content did not come along. */
        ABSENT,
        /** It is of a format that says nothing, or nothing that could be read. */
        FORMAT,
        /** Its sound is coded in a way that is not decoded. */
        CODED,
        /** Only parts of it came along. */
        PARTS,
        /** The file does not say it. */
        UNSAID
    }

    public Briefed {
        rules = List.copyOf(rules);
        mismatches = List.copyOf(mismatches);
        unjudged = List.copyOf(unjudged);
    }

    /** Whether nothing of it could be judged. */
    public boolean isUnread() {
        return why == Why.ABSENT || why == Why.FORMAT;
    }

    /** Whether peaks are asked for that were not measured. */
    public boolean isUnheard() {
        return !isUnread() && (unjudged.contains(BriefWording.PEAKS) || unjudged.contains(BriefWording.LOUDNESS));
    }

    public List<Phrase> parts() {
        return unjudged.stream().map(BriefWording::say).toList();
    }
}
