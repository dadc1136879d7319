package org.pressboard.value;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The beginnings that OWASP names under "CSV Injection". */
class SpreadsheetCellsTest {

    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+cmd", "-2+3", "@sum(A1)", "\ttab", "\rreturn", "-", "+49 151", "=", "-1-1"})
    void whatBeginsLikeAFormulaIsMadeHarmless(String text) {
        assertThat(SpreadsheetCells.HARMLESS.write(text)).isEqualTo("'" + text);
        assertThat(SpreadsheetCells.BARE.write(text)).isEqualTo(text);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "a=b", "-5", "+4915112345100", "-1,234.50", "-0", " =1", "1-1"})
    void numbersAndOtherTextsStayAsTheyAre(String text) {
        assertThat(SpreadsheetCells.HARMLESS.write(text)).isEqualTo(text);
    }
}
