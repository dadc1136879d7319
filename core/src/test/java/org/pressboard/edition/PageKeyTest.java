package org.pressboard.edition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PageKeyTest {

    @ParameterizedTest
    @CsvSource({"Fruit trees 2024,fruit-trees-2024", "2024,page-2024", "Desk,page-desk", "Sign in,page-sign-in", "?,page"})
    void titlesBecomeAddressesThatTheSiteDoesNotNeedItself(String title, String key) {
        assertThat(PageKey.from(title, Set.of()).name()).isEqualTo(key);
    }

    @Test
    void takenAddressesAreToldApart() {
        assertThat(PageKey.from("Trees", Set.of("trees")).name()).isEqualTo("trees-2");
        assertThat(PageKey.isValid("desk")).isFalse();
        assertThat(PageKey.isValid("../etc")).isFalse();
    }
}
