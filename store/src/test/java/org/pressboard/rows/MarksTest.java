package org.pressboard.rows;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

class MarksTest {

    private final Marks marks = new Marks();

    @Test
    void withoutMarksTheWayBeginsAtTheStart() {
        assertThat(marks.to(250, 25, null)).isEqualTo(new Route(null, false, 250, 26));
    }

    @Test
    void theNextPageBeginsBehindTheLastRowOfThisOne() {
        marks.put(225, page(25));
        assertThat(marks.to(250, 25, null)).isEqualTo(new Route(row(25), false, 0, 26));
        assertThat(marks.to(300, 25, null)).isEqualTo(new Route(row(25), false, 50, 26));
    }

    @Test
    void thePageBeforeIsReadBackwardsFromTheFirstRowOfThisOne() {
        marks.put(250, page(25));
        assertThat(marks.to(225, 25, null)).isEqualTo(new Route(row(1), true, 0, 25));
        assertThat(marks.to(200, 25, null)).isEqualTo(new Route(row(1), true, 25, 25));
        assertThat(marks.to(0, 25, null)).isEqualTo(new Route(null, false, 0, 26));
    }

    @Test
    void theLastPagesAreReadFromTheEnd() {
        Route last = marks.to(1_000, 25, 1_010L);
        assertThat(last).isEqualTo(new Route(null, true, 0, 10));
        assertThat(last.hasMore(10)).isFalse();
        Route lastButOne = marks.to(975, 25, 1_010L);
        assertThat(lastButOne).isEqualTo(new Route(null, true, 10, 25));
        assertThat(lastButOne.hasMore(25)).isTrue();
    }

    @Test
    void thereIsABoundToMarksAndToTheirSize() {
        for (int i = 1; i <= Marks.MOST; i++) {
            marks.put(10L * i, row(i));
        }
        marks.put(15, row(7));
        assertThat(marks.to(15, 4, null)).isEqualTo(new Route(row(2), true, 0, 4));
        Marks ofTexts = new Marks();
        ofTexts.put(10, new Anchor(Value.of("long".repeat(100)), new RowId(1)));
        assertThat(ofTexts.to(10, 3, null).from()).isNull();
    }

    private static List<Anchor> page(int rows) {
        return java.util.stream.IntStream.rangeClosed(1, rows).mapToObj(MarksTest::row).toList();
    }

    private static Anchor row(int number) {
        return new Anchor(Value.of((long) number), new RowId(number));
    }
}
