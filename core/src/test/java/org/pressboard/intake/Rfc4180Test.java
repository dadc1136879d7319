package org.pressboard.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.value.Value;

/** The examples of RFC 4180, section 2, numbered as there, below a header where the example has none. */
class Rfc4180Test {

    private static final String HEADER = "field_name1,field_name2,field_name3\r\n";

    @ParameterizedTest
    @ValueSource(strings = {
        HEADER + "aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n", // 1 and 3
        HEADER + "aaa,bbb,ccc\r\nzzz,yyy,xxx", // 2: the last record may have no line break
        "\"field_name1\",\"field_name2\",\"field_name3\"\r\n\"aaa\",\"bbb\",\"ccc\"\r\nzzz,yyy,xxx"}) // 5
    void recordsWithAndWithoutQuotesAndLastLineBreak(String text) {
        assertThat(rows(text)).containsExactly(List.of("aaa", "bbb", "ccc"), List.of("zzz", "yyy", "xxx"));
    }

    @Test
    void lineBreaksWithinQuotes() { // 6
        assertThat(rows(HEADER + "\"aaa\",\"b\r\nbb\",\"ccc\"\r\nzzz,yyy,xxx"))
                .containsExactly(List.of("aaa", "b\r\nbb", "ccc"), List.of("zzz", "yyy", "xxx"));
    }

    @Test
    void quotesWithinQuotes() { // 7
        assertThat(rows(HEADER + "\"aaa\",\"b\"\"bb\",\"ccc\"")).containsExactly(List.of("aaa", "b\"bb", "ccc"));
    }

    @Test
    void spacesArePartOfAField() { // 4
        assertThat(rows(HEADER + "aaa, bbb ,ccc")).containsExactly(List.of("aaa", " bbb ", "ccc"));
    }

    private static List<List<String>> rows(String text) {
        return Files.read(text).stream().map(outcome -> ((Outcome.Fits) outcome).values().stream()
                .map(value -> ((Value.Text) value).text()).toList()).toList();
    }
}
