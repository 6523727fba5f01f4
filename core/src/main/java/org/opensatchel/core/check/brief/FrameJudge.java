package org.opensatchel.core.check.brief;

import static org.opensatchel.base.fact.FactName.ASKED_COUNT;
import static org.opensatchel.base.fact.FactName.ASKED_HEIGHT;
import static org.opensatchel.base.fact.FactName.ASKED_SHAPE;
import static org.opensatchel.base.fact.FactName.ASKED_WIDTH;
import static org.opensatchel.base.fact.FactName.COUNT;
import static org.opensatchel.base.fact.FactName.HEIGHT;
import static org.opensatchel.base.fact.FactName.HOW;
import static org.opensatchel.base.fact.FactName.SHAPE;
import static org.opensatchel.base.fact.FactName.WIDTH;

import java.util.OptionalInt;
import org.opensatchel.base.fact.Facts;
import org.opensatchel.core.finding.Code;
import org.opensatchel.core.kit.MediaRule.Aspect;
import org.opensatchel.core.kit.MediaRule.Frame;
import org.opensatchel.formats.media.MediaFacts.Picture;

/** Size, shape and transparency of a picture, against what is asked for. */
final class FrameJudge {

    /** Widths and heights are whole, and standards round them: shapes that differ by less are the same to people. */
    private static final double SAME_SHAPE = 0.01;

    private final Frame rule;
    private final Verdicts out;

    FrameJudge(Frame rule, Verdicts out) {
        this.rule = rule;
        this.out = out;
    }

    /** What has no picture at all, where one is asked for. */
    void none() {
        out.differs(Code.MEDIA_SIZE, asked(Facts.of(HOW, "none")));
    }

    void judge(Picture picture) {
        if (picture.width() <= 0 || picture.height() <= 0) {
            if (rule.width().isPresent() || rule.height().isPresent() || rule.multipleOf().isPresent() || rule.minPixels().isPresent()
                    || rule.maxPixels().isPresent()) {
                out.open(BriefWording.SIZE);
            }
            rule.aspect().ifPresent(asked -> out.open(BriefWording.SHAPE));
        } else {
            size(picture);
            rule.aspect().filter(asked -> !isShaped(picture, asked)).ifPresent(asked -> out.differs(Code.MEDIA_ASPECT,
                    Facts.of(SHAPE, Shapes.name(picture.shownWidth(), picture.shownHeight())).and(ASKED_SHAPE, asked)
                            .and(WIDTH, picture.shownWidth()).and(HEIGHT, picture.shownHeight())));
        }
        rule.alpha().ifPresent(asked -> {
            if (picture.alpha().isEmpty()) {
                out.open(BriefWording.TRANSPARENCY);
            } else if (!picture.alpha().get().equals(asked)) {
                out.differs(Code.MEDIA_ALPHA, Facts.of(HOW, asked ? "wanted" : "unwanted"));
            }
        });
    }

    /** One finding says that a size is wrong, whatever is wrong with it: what is exactly asked for before what is only bounded. */
    private void size(Picture picture) {
        int width = picture.shownWidth();
        int height = picture.shownHeight();
        Facts found = Facts.of(WIDTH, width).and(HEIGHT, height);
        long pixels = (long) width * height;
        if (!isSized(picture)) {
            String how = rule.width().isPresent() && rule.height().isPresent() ? "size" : rule.width().isPresent() ? "width" : "height";
            out.differs(Code.MEDIA_SIZE, asked(found.and(HOW, how)));
        } else if (rule.minPixels().isPresent() && pixels < rule.minPixels().getAsLong()) {
            out.differs(Code.MEDIA_SIZE, found.and(HOW, "least").and(COUNT, pixels).and(ASKED_COUNT, rule.minPixels().getAsLong()));
        } else if (rule.maxPixels().isPresent() && pixels > rule.maxPixels().getAsLong()) {
            out.differs(Code.MEDIA_SIZE, found.and(HOW, "most").and(COUNT, pixels).and(ASKED_COUNT, rule.maxPixels().getAsLong()));
        } else if (rule.multipleOf().isPresent() && !isMultiple(picture, rule.multipleOf().getAsInt())) {
            out.differs(Code.MEDIA_SIZE, found.and(HOW, "multiple").and(ASKED_COUNT, rule.multipleOf().getAsInt()));
        }
    }

    private Facts asked(Facts facts) {
        Facts out = facts;
        out = rule.width().isPresent() ? out.and(ASKED_WIDTH, rule.width().getAsInt()) : out;
        return rule.height().isPresent() ? out.and(ASKED_HEIGHT, rule.height().getAsInt()) : out;
    }

    /** As it is shown, or as it is stored: briefs mean the one or the other where pixels are not square. */
    private boolean isSized(Picture picture) {
        boolean upright = picture.turned() % 180 == 0;
        return fits(picture.shownWidth(), picture.shownHeight())
                || fits(upright ? picture.width() : picture.height(), upright ? picture.height() : picture.width());
    }

    private boolean fits(int width, int height) {
        return fits(rule.width(), width) && fits(rule.height(), height);
    }

    private static boolean fits(OptionalInt asked, int found) {
        return asked.isEmpty() || asked.getAsInt() == found;
    }

    private static boolean isMultiple(Picture picture, int of) {
        return picture.width() % of == 0 && picture.height() % of == 0;
    }

    private static boolean isShaped(Picture picture, Aspect asked) {
        double width = picture.shownWidth();
        double height = picture.shownHeight();
        boolean near = Math.abs(width / height / asked.value() - 1) <= SAME_SHAPE;
        // Of very small pictures no size comes nearer.
        return near || Math.round(height * asked.value()) == width || Math.round(width / asked.value()) == height;
    }
}
