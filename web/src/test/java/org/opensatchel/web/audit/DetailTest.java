package org.opensatchel.web.audit;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.opensatchel.core.words.Words;
import org.opensatchel.web.audit.Detail.Value;
import org.opensatchel.web.text.Speech;

/** Lines of the log are kept as facts and told in the language of who reads them. */
class DetailTest {

    private static final Words ENGLISH = Speech.in(Locale.ENGLISH);
    private static final Words GERMAN = Speech.in(Locale.GERMAN);

    private static Detail kept(Detail detail) {
        return Detail.read(detail.json());
    }

    @Test
    void oneLineIsToldInEachLanguage() {
        Detail waived = kept(Detail.of("desk.logged-waived", Value.title("link.missing"), Value.words("desk.scope-HAND_IN"), "we said so"));
        assertThat(waived.said(ENGLISH)).isEqualTo(ENGLISH.title("link.missing") + ", this hand-in: we said so");
        assertThat(waived.said(GERMAN)).startsWith(GERMAN.title("link.missing")).endsWith(": we said so").doesNotContain("this hand-in");
        Detail imported = kept(Detail.of("intake.logged", "batch.zip", 1));
        assertThat(imported.said(ENGLISH)).isEqualTo("batch.zip: 1 hand-in");
        assertThat(imported.said(GERMAN)).isEqualTo("batch.zip: 1 Abgabe");
    }

    @Test
    void numbersAndTimesAreWrittenAsTheLanguageDoes() {
        Detail points = kept(Detail.of("desk.logged-gave", new BigDecimal("9.5"), "late"));
        assertThat(points.said(ENGLISH)).isEqualTo("9.5: late");
        assertThat(points.said(GERMAN)).isEqualTo("9,5: late");
        Detail until = kept(
                Detail.of("desk.logged-until", Value.time(Instant.parse("2026-10-14T16:00:00Z"), ZoneId.of("Asia/Tokyo")), "again"));
        assertThat(until.said(ENGLISH)).contains("15").contains("01:00");
    }

    /** Whatever was typed is text: braces, quotes, letters outside of the first plane. */
    @Test
    void aTextStaysAsItWasTyped() {
        String typed = "it's {0} of 'em \uD83C\uDFAC";
        assertThat(kept(Detail.text(typed)).said(GERMAN)).isEqualTo(typed);
        assertThat(kept(Detail.of("desk.logged-undo", typed)).said(ENGLISH)).endsWith(typed);
        String cut = kept(Detail.text("\uD83C\uDFAC".repeat(2_000))).said(ENGLISH);
        assertThat(cut).endsWith("\u2026").hasSizeLessThanOrEqualTo(1_000);
        assertThat(cut.substring(0, cut.length() - 1).codePoints().allMatch(point -> point == 0x1F3AC)).isTrue();
        assertThat(kept(Detail.text("a\0b")).said(ENGLISH)).isEqualTo("ab");
    }
}
