package org.pressboard.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.pressboard.condition.Truth.FALSE;
import static org.pressboard.condition.Truth.TRUE;
import static org.pressboard.condition.Truth.UNKNOWN;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The truth tables of ISO/IEC 9075-2, 6.39 boolean value expression. */
class TruthTest {

    @ParameterizedTest
    @CsvSource({
        "TRUE,TRUE,TRUE", "TRUE,FALSE,FALSE", "TRUE,UNKNOWN,UNKNOWN",
        "FALSE,TRUE,FALSE", "FALSE,FALSE,FALSE", "FALSE,UNKNOWN,FALSE",
        "UNKNOWN,TRUE,UNKNOWN", "UNKNOWN,FALSE,FALSE", "UNKNOWN,UNKNOWN,UNKNOWN"})
    void and(Truth one, Truth other, Truth both) {
        assertThat(one.and(other)).isEqualTo(both);
    }

    @ParameterizedTest
    @CsvSource({
        "TRUE,TRUE,TRUE", "TRUE,FALSE,TRUE", "TRUE,UNKNOWN,TRUE",
        "FALSE,TRUE,TRUE", "FALSE,FALSE,FALSE", "FALSE,UNKNOWN,UNKNOWN",
        "UNKNOWN,TRUE,TRUE", "UNKNOWN,FALSE,UNKNOWN", "UNKNOWN,UNKNOWN,UNKNOWN"})
    void or(Truth one, Truth other, Truth either) {
        assertThat(one.or(other)).isEqualTo(either);
    }

    @Test
    void not() {
        assertThat(TRUE.not()).isEqualTo(FALSE);
        assertThat(FALSE.not()).isEqualTo(TRUE);
        assertThat(UNKNOWN.not()).isEqualTo(UNKNOWN);
    }
}
