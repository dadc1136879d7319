package org.pressboard.bulk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import org.junit.jupiter.api.Test;

/** Whoever does not want rows any more gets none, whether they are still collected or all there. */
class CarryingTest {

    @Test
    void whoLeavesGetsNothingToTheLastMoment() {
        Carrying carrying = new Carrying(Duration.ofMinutes(1));
        carrying.row();
        carrying.row();
        assertThat(carrying.rows()).isEqualTo(2);
        assertThatCode(carrying::give).doesNotThrowAnyException();
        carrying.leave();
        assertThatThrownBy(carrying::row).isInstanceOf(Carrying.Left.class);
        assertThatThrownBy(carrying::give).isInstanceOf(Carrying.Left.class);
    }

    @Test
    void whoHasNotAskedForLongHasLeft() {
        Carrying carrying = new Carrying(Duration.ZERO);
        assertThatThrownBy(carrying::row).isInstanceOf(Carrying.Left.class);
        assertThatCode(carrying::give).doesNotThrowAnyException();
    }
}
