package org.opensatchel.web.review;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.opensatchel.web.text.Names;

/** Names are hostile in spreadsheets too. */
class SpreadsheetCellTest {

    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+cmd", "-2", "@sum", "|calc", "  =1", "\u00a0=1", "\t=1", "a\n=1", "\uFF1D1", "\uFF0B1", "\uFF0D1",
            "\uFF20a", "%0A", ";x", "\u200e=1"})
    void whatLooksLikeAFormulaIsMadeAText(String text) {
        assertThat(BoardCsv.cell(text)).isEqualTo("'" + text);
    }

    @ParameterizedTest
    @ValueSource(strings = {"Marsh, Ottoline", "O'Neill", "", "A-1", "E:\\MOV120_A2", "רות לוי", "a = b"})
    void everythingElseStaysAsItIs(String text) {
        assertThat(BoardCsv.cell(text)).isEqualTo(text);
    }
}
