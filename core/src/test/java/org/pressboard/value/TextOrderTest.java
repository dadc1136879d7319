package org.pressboard.value;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class TextOrderTest {

    static List<PublishedOrder> published() {
        return PublishedOrder.ALL;
    }

    @ParameterizedTest
    @MethodSource("published")
    void textsComeInThePublishedOrder(PublishedOrder order) {
        List<String> shuffled = new ArrayList<>(order.texts());
        Collections.shuffle(shuffled, new Random(7));
        shuffled.sort(TextOrder.of(Locale.forLanguageTag(order.language())));
        assertThat(shuffled).containsExactlyElementsOf(order.texts());
    }
}
