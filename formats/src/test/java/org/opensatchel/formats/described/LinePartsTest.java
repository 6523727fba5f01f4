package org.opensatchel.formats.described;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opensatchel.formats.described.LineParts.Piece;

/** A line of a statement and what stands at its parts: where a word ends decides what a link reads. */
class LinePartsTest {

    @ParameterizedTest
    @CsvSource(delimiter = '~', quoteCharacter = '^', textBlock = """
            load "media/reef one.png" 4~quoted 1~media/reef one.png
            load "a.png" "b.png"~quoted 2~b.png
            load 'media/tide.wav' as left~after load~media/tide.wav
            source = media/tide.wav~after source~media/tide.wav
            source: media/tide.wav~after source~media/tide.wav
            clip7 = media/tide.wav~after clip#~media/tide.wav
            source = media/reef one.png~rest~media/reef one.png
            source = "media/reef one.png";~rest~media/reef one.png
            source media/reef one.png,~rest~media/reef one.png
            PATH:/srv/class/reef.png~after PATH~/srv/class/reef.png
            open C:\\class\\reef.png~word 2~C:\\class\\reef.png
            open file:///srv/reef.png~word 2~file:///srv/reef.png
            open ${HOME}/reef.png~word 2~${HOME}/reef.png
            open media/reef[01-20].png~word 2~media/reef[01-20].png
            take 3 media/reef one.png~from 3~media/reef one.png
            say "she said \\"go\\" twice"~quoted 1~she said \\"go\\" twice
            read <media/reef.png>~quoted 1~media/reef.png
            draw(media/reef.png, 4)~after draw~media/reef.png
            it's media/reef.png~word 2~media/reef.png
            """)
    void aPartIsReadAsItStands(String line, String part, String value) {
        LineParts parts = new LineParts("\t" + line + "  ");
        Where.Part asked = Where.Part.of(part).orElseThrow();
        assertThat(parts.values(asked)).extracting(Piece::text).containsExactly(value);
        assertThat(parts.values(asked)).allSatisfy(piece -> assertThat(("\t" + line).startsWith(piece.text(), piece.at())).isTrue());
        assertThat(parts.parts()).contains(asked);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '~', quoteCharacter = '^', textBlock = """
            load "a.png"~quoted 2
            load "a.png"~word 2
            source = , media/tide.wav~after source
            load "media/never closed.png~quoted 1
            """)
    void whatIsNotThereIsNotRead(String line, String part) {
        assertThat(new LineParts(line).values(Where.Part.of(part).orElseThrow())).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '~', quoteCharacter = '^', textBlock = """
            layer12 media/reef.png~layer#
            (load "a.png")~load
            "media/reef.png" 4~"
            """)
    void aLineIsToldByItsFirstWord(String line, String first) {
        assertThat(new LineParts(line).first()).isEqualTo(first);
    }

    @Test
    void columnsAreCountedInCodePoints() {
        LineParts parts = new LineParts("say \uD83D\uDC1F \"reef.png\"");
        Piece piece = parts.values(Where.Part.of("quoted 1").orElseThrow()).get(0);
        assertThat(parts.column(piece.at())).isEqualTo(8);
    }
}
