package org.opensatchel.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.compare.LinkDifference.Alike;
import org.opensatchel.core.compare.LinkDifference.Change;

/** Links that changed alike are told together, so that a document that was linked again is one line and not forty. */
class LinkDifferenceTest {

    private static Change change(String document, String text, String was, String is) {
        return new Change(document, text, Optional.ofNullable(was), Optional.ofNullable(is));
    }

    @Test
    void changesAreToldByDocumentAndByWhatBecameOfThem() {
        List<Change> changes = List.of(change("a.otio", "../x.wav", null, "ok"), change("b.svg", "y.png", "missing", "ok"),
                change("a.otio", "../z.wav", null, "ok"), change("a.otio", "F:/x.wav", "pinned", null),
                change("a.otio", "F:/z.wav", "pinned", null));
        assertThat(LinkDifference.alike(changes)).containsExactly(
                new Alike("a.otio", Optional.empty(), Optional.of("ok"), List.of("../x.wav", "../z.wav")),
                new Alike("b.svg", Optional.of("missing"), Optional.of("ok"), List.of("y.png")),
                new Alike("a.otio", Optional.of("pinned"), Optional.empty(), List.of("F:/x.wav", "F:/z.wav")));
        assertThat(LinkDifference.alike(List.of())).isEmpty();
    }
}
