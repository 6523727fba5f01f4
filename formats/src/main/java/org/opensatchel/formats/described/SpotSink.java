package org.opensatchel.formats.described;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import org.opensatchel.base.fact.FactName;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.base.place.SourcePosition;
import org.opensatchel.formats.link.ReadProblem;
import org.opensatchel.formats.link.ReadWording;
import org.opensatchel.formats.link.Unreadable;

/** Takes the values of one document as they are met, up to a limit. */
public abstract class SpotSink {

    private long anchor;

    /** Takes one value, which may be said to stand at several places; its anchor counts the values. */
    final void value(List<Where> wheres, String text, Supplier<SourcePosition> place, Level level) {
        anchor++;
        for (Where where : wheres) {
            take(where, text, place, level, anchor);
        }
    }

    /** @param anchor the same for everything that is the same value of the document */
    protected abstract void take(Where where, String text, Supplier<SourcePosition> place, Level level, long anchor);

    /** Whether no more values of a place are taken: whoever walks may leave them out. */
    protected boolean isFull(Where where) {
        return false;
    }

    /** Takes nothing: for whoever asks only what a document is made of. */
    static final class Nothing extends SpotSink {

        @Override
        protected void take(Where where, String text, Supplier<SourcePosition> place, Level level, long anchor) {
            // Values are not asked for.
        }
    }

    /** Keeps the values of a document that is read by a profile. */
    static final class Kept extends SpotSink {

        private final int most;
        private final List<Spot> spots = new ArrayList<>();
        private boolean tooMany;

        Kept(int most) {
            this.most = most;
        }

        @Override
        protected void take(Where where, String text, Supplier<SourcePosition> place, Level level, long anchor) {
            if (spots.size() < most) {
                spots.add(new Spot(where, text, place.get(), level, anchor));
            } else {
                tooMany = true;
            }
        }

        /**
         * The values in the order in which they were met.
         *
         * @throws Unreadable when there are more than are kept
         */
        List<Spot> spots() throws Unreadable {
            if (tooMany) {
                throw new Unreadable(new ReadProblem(ReadProblem.Kind.TOO_LARGE, SourcePosition.WHOLE,
                        ReadWording.TOO_MANY_LINKS.say(Facts.of(FactName.MOST, most))));
            }
            return spots;
        }
    }
}
