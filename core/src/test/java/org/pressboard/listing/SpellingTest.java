package org.pressboard.listing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpellingTest {

    @ParameterizedTest
    @CsvSource({"kestral,kestrel,1", "hollin,holin,1", "recieve,receive,1", "apple,apple,0", "plum,pear,3", "ab,ba,1", "kitten,sitting,3",
        "sunday,saturday,3"})
    void lettersPutInLeftOutChangedOrSwappedAreCounted(String one, String other, int distance) {
        assertThat(Spelling.distance(one, other)).isEqualTo(distance);
        assertThat(Spelling.distance(other, one)).isEqualTo(distance);
    }

    @Test
    void theNearestComesFirstAsItIsWrittenMost() {
        List<String> texts = List.of("Kestrel, red", "kestrel", "Kestrel", "Kastrals", "Falcon", "kestral");
        assertThat(Spelling.near("Kestral", texts, 3)).containsExactly("Kestrel", "Kastrals");
        assertThat(Spelling.near("Kestral", texts, 1)).containsExactly("Kestrel");
        assertThat(Spelling.near("Épinart", List.of("epinard"), 3)).containsExactly("epinard");
    }

    @Test
    void ofShortWordsNothingIsNear() {
        assertThat(Spelling.near("fog", List.of("dog", "frog"), 3)).isEmpty();
        assertThat(Spelling.near("frog", List.of("frogs", "fry", "clog"), 3)).containsExactly("frogs");
        assertThat(Spelling.near("x".repeat(2_000), List.of("x".repeat(2_001)), 3)).isEmpty();
    }
}
