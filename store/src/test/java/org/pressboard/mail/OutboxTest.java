package org.pressboard.mail;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

class OutboxTest extends StoreTest {

    @Autowired
    private Outbox outbox;

    @BeforeEach
    void empty() {
        inTransaction(() -> sql.execute("delete from pressboard.message"));
    }

    private static Letter letter(String to) {
        return new Letter(to, "Hello", "Dear all", Letter.Why.NOTICE);
    }

    @Test
    void lettersAreCarriedOnceInTheirOrder() {
        outbox.put(letter("mira@example.org"));
        outbox.put(letter("tomas@example.org"));
        StringBuilder carried = new StringBuilder();
        while (outbox.sendNext(letter -> carried.append(letter.to()).append(' '))) {
            assertThat(carried.length()).isLessThan(100);
        }
        assertThat(carried).hasToString("mira@example.org tomas@example.org ");
        assertThat(outbox.latest(null, 9)).extracting(Outbox.Posted::state).containsOnly(Outbox.State.SENT);
    }

    @Test
    void whatFailsIsTriedAgainLaterAndGivenUpInTheEnd() {
        outbox.put(letter("mira@example.org"));
        Outbox.Carrier away = letter -> {
            throw new Outbox.Undelivered("nobody answers", new IllegalStateException());
        };
        assertThat(outbox.sendNext(away)).isTrue();
        assertThat(outbox.sendNext(away)).as("not yet due").isFalse();
        assertThat(outbox.latest(null, 1).getFirst()).satisfies(posted -> {
            assertThat(posted.state()).isEqualTo(Outbox.State.WAITING);
            assertThat(posted.problem()).isEqualTo("nobody answers");
        });
        for (int i = 0; i < 7; i++) {
            inTransaction(() -> sql.execute("update pressboard.message set next_try_at = now()"));
            assertThat(outbox.sendNext(away)).isTrue();
        }
        assertThat(outbox.latest(null, 1).getFirst().state()).isEqualTo(Outbox.State.FAILED);
        inTransaction(() -> sql.execute("update pressboard.message set next_try_at = now()"));
        assertThat(outbox.sendNext(away)).isFalse();
    }

    @Test
    void longTextsAreCutAndSaySo() {
        Letter letter = new Letter("mira@example.org", "s".repeat(500), "b".repeat(50_000), Letter.Why.NOTICE);
        assertThat(letter.subject()).hasSize(Letter.LONGEST_SUBJECT).endsWith("…");
        assertThat(letter.body()).hasSize(Letter.LONGEST_BODY).endsWith("…");
    }
}
