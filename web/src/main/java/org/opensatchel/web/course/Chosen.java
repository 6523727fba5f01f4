package org.opensatchel.web.course;

import java.util.List;
import java.util.Objects;

/** Ticked boxes of a form, whatever came of them. */
public final class Chosen {

    private Chosen() {
    }

    /** @param ticked null where none is; a box without a value is none */
    public static List<Long> of(List<Long> ticked) {
        return ticked == null ? List.of() : ticked.stream().filter(Objects::nonNull).distinct().toList();
    }
}
