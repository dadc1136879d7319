package org.pressboard.words;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class TypedTest {

    @Test
    void whatIsTypedIsKeptWithoutWhatNoTextOfTheDatabaseCanHave() {
        assertThat(Typed.within(" a\0b c ", 10)).isEqualTo("ab c");
        assertThat(Typed.within("quince jelly", 6)).isEqualTo("quince");
        assertThat(Typed.within(" \0", 6)).isEmpty();
    }
}
