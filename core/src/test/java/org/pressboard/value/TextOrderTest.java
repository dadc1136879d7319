package org.pressboard.value;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class TextOrderTest {

    static List<PublishedOrder> published() {
        return PublishedOrder.ALL;
    }

    @ParameterizedTest
    @MethodSource("published")
    void textsComeInThePublishedOrder(PublishedOrder order) {
        List<String> shuffled = order.shuffled();
        shuffled.sort(TextOrder.of(Locale.forLanguageTag(order.language())));
        assertThat(shuffled).containsExactlyElementsOf(order.texts());
    }
}
