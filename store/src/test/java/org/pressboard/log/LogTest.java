package org.pressboard.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

class LogTest extends StoreTest {

    @Autowired
    private Log log;

    @BeforeEach
    void someThings() {
        inTransaction(() -> sql.execute("delete from pressboard.log_entry"));
        log.note(Logged.What.SIGNED_IN, 1L, "mira@example.org", "10.0.0.7", "");
        log.note(Logged.What.TAKEN_AWAY, 1L, "mira@example.org", "10.0.0.7", "trees.csv");
        log.note(Logged.What.SIGN_IN_FAILED, null, "tomas@example.org\0", "10.0.0.9", "x".repeat(1000));
    }

    private List<Logged.What> found(Logged.What what, String words, LocalDate from, LocalDate to) {
        return log.find(new Log.Search(what, words, from, to, null), 10).stream().map(Logged::what).toList();
    }

    @Test
    void whatHappenedIsFoundByWhatWordsAndDays() {
        LocalDate today = LocalDate.now();
        assertThat(found(null, "", null, null)).containsExactly(Logged.What.SIGN_IN_FAILED, Logged.What.TAKEN_AWAY,
                Logged.What.SIGNED_IN);
        assertThat(found(Logged.What.SIGNED_IN, "", null, null)).hasSize(1);
        assertThat(found(null, "TREES.csv", null, null)).containsExactly(Logged.What.TAKEN_AWAY);
        assertThat(found(null, "10.0.0.9", today, today)).containsExactly(Logged.What.SIGN_IN_FAILED);
        assertThat(found(null, "", today.plusDays(1), null)).isEmpty();
        assertThat(found(null, "", null, today.minusDays(1))).isEmpty();
        List<Logged> all = new ArrayList<>();
        log.all(new Log.Search(null, "", null, null, null), all::add);
        assertThat(all).hasSize(3);
        assertThat(all.getFirst().about()).hasSize(300).endsWith("…");
    }

    @Test
    void nothingIsKeptLongerThanAYear() {
        inTransaction(() -> sql.execute("update pressboard.log_entry set at = now() - interval '366 days' where what = 'SIGNED_IN'"));
        log.forgetOld();
        assertThat(found(null, "", null, null)).doesNotContain(Logged.What.SIGNED_IN).hasSize(2);
    }
}
