package org.pressboard.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class DemoDaysTest {

    private static final List<String> BEHIND = List.of("2025-08-15", "2026-06-20", "2026-11-20");
    private static final List<String> AHEAD = List.of("2026-11-28", "2026-12-05", "2027-05-02");

    @Test
    void nothingMovesOnTheDayOfWriting() {
        String csv = "Wall pruning,2026-11-28,09:30\nMowing,2026-06-20 07:25,\"T-014, 2026\"\n";
        assertThat(DemoDays.told(csv, DemoDays.WRITTEN)).isEqualTo(csv);
        assertThat(DemoDays.told(csv, LocalDate.of(2020, 1, 1))).isEqualTo(csv);
    }

    @Test
    void whatWasAheadStaysAheadAndWhatWasBehindBehind() {
        for (int days = 0; days < 4_000; days++) {
            LocalDate today = DemoDays.WRITTEN.plusDays(days);
            for (String written : BEHIND) {
                LocalDate told = told(written, today);
                assertThat(told).isBefore(today).isAfterOrEqualTo(LocalDate.parse(written));
                assertThat(told.getDayOfWeek()).isEqualTo(LocalDate.parse(written).getDayOfWeek());
            }
            for (String written : AHEAD) {
                LocalDate told = told(written, today);
                assertThat(told).isBetween(today, today.plusDays(364));
                assertThat(told.getDayOfWeek()).isEqualTo(LocalDate.parse(written).getDayOfWeek());
            }
        }
        assertThat(told("2026-12-05", LocalDate.of(2026, 12, 5))).isEqualTo("2026-12-05");
        assertThat(told("2026-12-05", LocalDate.of(2026, 12, 6))).isEqualTo("2027-12-04");
        assertThat(told("2026-10-10", LocalDate.of(2027, 12, 1))).isEqualTo("2027-10-09");
    }

    private static LocalDate told(String written, LocalDate today) {
        return LocalDate.parse(DemoDays.told(written, today));
    }
}
