package org.opensatchel.web.judging;

import java.util.List;
import org.opensatchel.core.judging.Judgement;
import org.opensatchel.web.decision.RemarkView;

/**
 * A report with all that was decided about it.
 *
 * @param kitVersion the number of the kit's version that it was checked by
 * @param remarks what was said about the hand-in, the oldest first; those that raise something are in the judgement too
 */
public record Judged(Judgement judgement, int kitVersion, List<RemarkView> remarks) {}
