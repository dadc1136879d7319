package org.pressboard.pace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.pressboard.pace.Pace;
import org.pressboard.testing.Eventually;

class PaceTest {

    private static final int ASKED = 6;

    private final Pace pace = new Pace();

    @Test
    void whoeverAsksForMuchReadsOneThingAtATime() {
        pace.spend("192.0.2.1", 150);
        assertThat(mostAtOnce("192.0.2.1", 1)).isEqualTo(1);
        assertThat(mostAtOnce("192.0.2.2", 3)).isEqualTo(3);
    }

    /** How many of those who ask from there were reading at once, having waited for so many. */
    private int mostAtOnce(String address, int expected) {
        AtomicInteger reading = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        Semaphore leave = new Semaphore(0);
        List<CompletableFuture<Integer>> all = new ArrayList<>();
        try (var threads = Executors.newVirtualThreadPerTaskExecutor()) {
            for (int i = 0; i < ASKED; i++) {
                all.add(CompletableFuture.supplyAsync(() -> pace.inTurn(address, () -> {
                    most.accumulateAndGet(reading.incrementAndGet(), Math::max);
                    leave.acquireUninterruptibly();
                    return reading.decrementAndGet();
                }), threads));
            }
            Eventually.holds(() -> reading.get() == expected);
            leave.release(ASKED);
            all.forEach(CompletableFuture::join);
        }
        return most.get();
    }
}
