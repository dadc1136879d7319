package org.pressboard.signin;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PersonRulesTest {

    @ParameterizedTest
    @ValueSource(strings = {"miraholloway1", "Mira.Holloway!", "hollowaymira2026", "MIRAholloway", "mirahollowaymira", "mhorchard12345",
        "h\u00f3lloway123", "password12", "aaaaaaaaaa", "1234567890"})
    void aPasswordOfKnownWordsOrEasyOnesIsRefused(String password) {
        assertThat(PersonRules.ofPassword(password, "Mira Holloway", "mh@orchard.example")).containsExactly("welcome.easy-password");
    }

    @ParameterizedTest
    @ValueSource(strings = {"mira and the seven lanterns", "copper-kettle-moth", "gT7#pLw29qVx"})
    void aNameAmongOtherWordsIsNoHarm(String password) {
        assertThat(PersonRules.ofPassword(password, "Mira Holloway", "mh@orchard.example")).isEmpty();
    }
}
