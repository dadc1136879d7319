package org.pressboard.turn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.Test;

class TurnsTest {

    private final Turns turns = new Turns(1);

    @Test
    void whoeverFindsItTakenForLongIsToldToComeBackAndLaterHasATurn() throws Exception {
        CountDownLatch inside = new CountDownLatch(1);
        CountDownLatch leave = new CountDownLatch(1);
        CompletableFuture<String> first = CompletableFuture.supplyAsync(() -> turns.take(Duration.ofSeconds(9), () -> {
            inside.countDown();
            return waitedFor(leave);
        }));
        inside.await();
        assertThatThrownBy(() -> turns.take(Duration.ofMillis(1), () -> "second")).isInstanceOf(Busy.class);
        CompletableFuture<String> third = CompletableFuture.supplyAsync(
                () -> turns.take(Duration.ofSeconds(9), () -> "third"));
        leave.countDown();
        assertThat(first.get()).isEqualTo("first");
        assertThat(third.get()).isEqualTo("third");
    }

    @Test
    void aTurnEndsAlsoWithAFailure() {
        for (int i = 0; i < 3; i++) {
            assertThatThrownBy(() -> turns.take(Duration.ofSeconds(9), () -> {
                throw new IllegalStateException("broken");
            })).isInstanceOf(IllegalStateException.class);
        }
        assertThat(turns.<String>take(Duration.ofSeconds(9), () -> "well")).isEqualTo("well");
    }

    private static String waitedFor(CountDownLatch latch) {
        try {
            latch.await();
            return "first";
        } catch (InterruptedException stop) {
            throw new IllegalStateException(stop);
        }
    }
}
