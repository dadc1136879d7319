package org.pressboard.memory;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BudgetTest {

    private static final long PIECE = 64 * 1024;

    @ParameterizedTest
    @ValueSource(longs = {128, 256, 512, 2048})
    void eachUseIsSpentToItsEndAndNoFurther(long megabytes) {
        long heap = megabytes * 1024 * 1024;
        Budget budget = new Budget(heap);
        assertThat(budget.total()).isGreaterThan(20L * 1024 * 1024).isLessThan(heap);
        for (Budget.Use use : Budget.Use.values()) {
            List<Budget.Held> held = spent(budget, use);
            held.forEach(Budget.Held::close);
            held.forEach(Budget.Held::close);
            assertThat(budget.held(use)).isZero();
        }
        assertThat(budget.take(Budget.Use.FILES, budget.most(Budget.Use.FILES))).isPresent();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 8})
    void whatAllHoldIsNeverMoreThanThereIs(int at) {
        Budget budget = new Budget(256L * 1024 * 1024);
        List<CompletableFuture<Void>> all = new ArrayList<>();
        for (int i = 0; i < at; i++) {
            all.add(CompletableFuture.runAsync(() -> spend(budget)));
        }
        all.forEach(CompletableFuture::join);
        for (Budget.Use use : Budget.Use.values()) {
            assertThat(budget.held(use)).isZero();
        }
    }

    /** However little memory there is: what one kind has no more of, all others still have. */
    @ParameterizedTest
    @ValueSource(longs = {512, 256, 128})
    void whoeverSpendsOneKindToTheEndLeavesTheOthersTheirs(long megabytes) {
        for (Budget.Use use : Budget.Use.values()) {
            Budget budget = new Budget(megabytes * 1024 * 1024);
            List<Budget.Held> all = spent(budget, use);
            assertThat(budget.most(use)).isLessThan(budget.total());
            for (Budget.Use other : Budget.Use.values()) {
                assertThat(budget.take(other, PIECE).isPresent()).as("%s after %s", other, use).isEqualTo(other != use);
            }
            all.forEach(Budget.Held::close);
            assertThat(budget.take(use, PIECE)).isPresent();
        }
    }

    /** Each open page that listens holds a connection and a request besides. */
    @ParameterizedTest
    @ValueSource(longs = {512, 256, 128})
    void whatCanWaitLeavesRoomForAFileAndForRequests(long megabytes) {
        Budget budget = new Budget(megabytes * 1024 * 1024);
        budget.setAside(Budget.Use.ANSWERS, Long.MAX_VALUE);
        budget.setAside(Budget.Use.ANSWERS, Long.MAX_VALUE);
        budget.setAside(Budget.Use.ANSWERS, Long.MAX_VALUE);
        while (budget.take(Budget.Use.LISTENERS, PIECE).isPresent()) {
            assertThat(budget.take(Budget.Use.REQUESTS, PIECE)).isPresent();
            assertThat(budget.take(Budget.Use.CONNECTIONS, PIECE)).isPresent();
        }
        while (budget.take(Budget.Use.TAKE_AWAYS, PIECE).isPresent()) {
            assertThat(budget.held(Budget.Use.TAKE_AWAYS)).isPositive();
        }
        assertThat(budget.take(Budget.Use.FILES, budget.most(Budget.Use.FILES))).isPresent();
        assertThat(budget.take(Budget.Use.CONNECTIONS, PIECE)).isPresent();
        assertThat(budget.take(Budget.Use.REQUESTS, PIECE)).isPresent();
    }

    /** What is set aside is so for good, and leaves the rest of its kind. */
    @Test
    void whatIsSetAsideIsNeverMoreThanAThirdOfItsKind() {
        Budget budget = new Budget(256L * 1024 * 1024);
        long most = budget.most(Budget.Use.ANSWERS);
        assertThat(budget.setAside(Budget.Use.ANSWERS, 1_000)).isEqualTo(1_000);
        assertThat(budget.setAside(Budget.Use.ANSWERS, Long.MAX_VALUE)).isEqualTo(most / 3);
        assertThat(budget.held(Budget.Use.ANSWERS)).isEqualTo(1_000 + most / 3);
        assertThat(budget.take(Budget.Use.ANSWERS, most)).isEmpty();
    }

    /** All pieces that there are of it. */
    private static List<Budget.Held> spent(Budget budget, Budget.Use use) {
        List<Budget.Held> held = new ArrayList<>();
        for (Optional<Budget.Held> next = budget.take(use, PIECE); next.isPresent(); next = budget.take(use, PIECE)) {
            held.add(next.get());
        }
        assertThat(budget.held(use)).isBetween(budget.most(use) - PIECE, budget.most(use));
        return held;
    }

    private static void spend(Budget budget) {
        for (int round = 0; round < 2_000; round++) {
            Budget.Use use = Budget.Use.values()[round % Budget.Use.values().length];
            try (Budget.Held held = budget.take(use, PIECE).orElse(null)) {
                if (held != null) {
                    held.grow(round * PIECE);
                }
                long all = 0;
                for (Budget.Use each : Budget.Use.values()) {
                    assertThat(budget.held(each)).isLessThanOrEqualTo(budget.most(each) + budget.total());
                    all += budget.held(each);
                }
                assertThat(all).isPositive();
            }
        }
    }
}
