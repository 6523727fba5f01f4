package org.opensatchel.formats.step;

import org.opensatchel.formats.format.Format;
import org.opensatchel.formats.kind.FileKind;

/** STEP files (ISO 10303-21). */
public final class Step {

    public static final Format FORMAT = Format.of("step")
            .endings(FileKind.OTHER, "stp", "step", "p21")
            .links(new StepLinks());

    private Step() {
    }
}
