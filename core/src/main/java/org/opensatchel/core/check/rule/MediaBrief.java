package org.opensatchel.core.check.rule;

import static org.opensatchel.base.fact.FactName.CODEC;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.PARTS;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.opensatchel.core.check.brief.Briefed;
import org.opensatchel.core.check.brief.Mismatch;
import org.opensatchel.core.finding.Cause;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.finding.Finding;

/** Pictures, films and sounds that are not what the kit asks for, and those of which that cannot be told. */
final class MediaBrief implements Rule<BriefEvidence> {

    /** Who asks for a size asks for its shape, and what is cut off at full scale is as loud as can be. */
    private static final Map<Code, Cause.Kind> EXPLAINS = Map.of(Code.MEDIA_SIZE, Cause.Kind.SIZE, Code.MEDIA_CLIPPING,
            Cause.Kind.CLIPPING);
    private static final Map<Code, Cause.Kind> FOLLOWS = Map.of(Code.MEDIA_ASPECT, Cause.Kind.SIZE, Code.MEDIA_PEAK_HIGH,
            Cause.Kind.CLIPPING);

    @Override
    public Class<BriefEvidence> needs() {
        return BriefEvidence.class;
    }

    @Override
    public Set<Code> gives() {
        return Set.of(Code.MEDIA_SIZE, Code.MEDIA_ASPECT, Code.MEDIA_FRAME_RATE, Code.MEDIA_VARIABLE_RATE, Code.MEDIA_TOO_LONG,
                Code.MEDIA_TOO_SHORT, Code.MEDIA_CODEC, Code.MEDIA_SILENT, Code.MEDIA_SOUND, Code.MEDIA_PEAK_HIGH, Code.MEDIA_PEAK_LOW,
                Code.MEDIA_CLIPPING, Code.MEDIA_LOUDNESS, Code.MEDIA_SAMPLE_RATE, Code.MEDIA_CHANNELS, Code.MEDIA_BIT_DEPTH,
                Code.MEDIA_ALPHA, Code.MEDIA_NOT_JUDGED);
    }

    @Override
    public List<Finding> judge(BriefEvidence evidence) {
        List<Finding> out = new ArrayList<>();
        for (Briefed file : evidence.briefed()) {
            file.mismatches().forEach(mismatch -> out.add(finding(file, mismatch)));
            if (!file.unjudged().isEmpty()) {
                out.add(Finding.of(Code.MEDIA_NOT_JUDGED).path(file.path()).fact(PARTS, file.parts()).fact(HOW, file.why())
                        .fact(CODEC, file.codec()).make());
            }
        }
        return out;
    }

    private static Finding finding(Briefed file, Mismatch mismatch) {
        Finding.Builder made = Finding.of(mismatch.code()).path(file.path()).facts(mismatch.facts());
        if (EXPLAINS.containsKey(mismatch.code())) {
            made = made.explains(new Cause(EXPLAINS.get(mismatch.code()), file.path()));
        }
        if (FOLLOWS.containsKey(mismatch.code())) {
            made = made.causedBy(new Cause(FOLLOWS.get(mismatch.code()), file.path()));
        }
        return made.make();
    }
}
