package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

/** Whoever alters a table waits for another who does, and not for ever. */
class GivingWayTest extends StoreTest {

    @Autowired
    private Indexes indexes;

    @Test
    void whoWaitsForAnotherIsToldSoInTheEnd() throws SQLException {
        try (Connection other = DATABASE.connect(); Statement holding = other.createStatement()) {
            holding.execute("select pg_advisory_lock(" + Indexes.TURN + ")");
            long began = System.nanoTime();
            assertThatThrownBy(() -> inTransaction(() -> indexes.giveWay(Duration.ofMillis(300))))
                    .isInstanceOfSatisfying(ProblemsFound.class, told -> assertThat(told.problems().all()).singleElement()
                            .satisfies(problem -> assertThat(problem.code()).isEqualTo("table.another-changes")));
            assertThat(Duration.ofNanos(System.nanoTime() - began)).isGreaterThanOrEqualTo(Duration.ofMillis(300));
            // what alters a table is not broken off, only what makes indexes is
            try (Statement still = other.createStatement()) {
                assertThatCode(() -> still.execute("select 1")).doesNotThrowAnyException();
            }
        }
        assertThatCode(() -> inTransaction(() -> indexes.giveWay(Duration.ofSeconds(20)))).doesNotThrowAnyException();
    }
}
