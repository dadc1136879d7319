package org.pressboard.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.pressboard.change.ChangeFeed;
import org.pressboard.memory.Budget;

class ListenersTest {

    private final Budget budget = new Budget(512L * 1024 * 1024);
    private final Listeners listeners = new Listeners(Mockito.mock(ChangeFeed.class), budget);

    private Listeners.@Nullable Listener enter(String address) {
        return listeners.enter(Set.of(), address);
    }

    @Test
    void anAddressThatIsTurnedAwayHasNoMoreRoomThanBefore() {
        for (int i = 0; i < listeners.mostOfAddress(); i++) {
            assertThat(enter("192.0.2.1")).isNotNull();
        }
        List<Listeners.Listener> others = new ArrayList<>();
        for (int i = listeners.mostOfAddress(); i < listeners.most(); i++) {
            others.add(enter("192.0.2." + (2 + i % 100)));
        }
        assertThat(others).doesNotContainNull();
        for (int i = 0; i < 10; i++) {
            assertThat(enter("192.0.2.1")).isNull();
        }
        assertThat(enter("192.0.2.201")).as("there is memory for so many").isNull();
        assertThat(budget.held(Budget.Use.LISTENERS)).isLessThanOrEqualTo(budget.most(Budget.Use.LISTENERS));
        others.stream().limit(10).forEach(Listeners.Listener::close);
        assertThat(enter("192.0.2.1")).isNull();
        assertThat(enter("192.0.2.200")).isNotNull();
    }

    /** At least the thousand open pages that are aimed at in 512 MB, and never more than a smaller heap has room for. */
    @Test
    void howManyThereMayBeFollowsFromTheHeap() {
        assertThat(listeners.most()).isGreaterThanOrEqualTo(1_000);
        int few = new Listeners(Mockito.mock(ChangeFeed.class), new Budget(256L * 1024 * 1024)).most();
        assertThat(few).isBetween(100, listeners.most() / 2);
    }

    /** Whoever has a whole network of addresses is one all the same. */
    @Test
    void addressesOfOneNetworkCountAsOne() {
        for (int i = 0; i < listeners.mostOfAddress(); i++) {
            assertThat(enter("2001:db8:0:1::" + Integer.toHexString(i))).isNotNull();
        }
        assertThat(enter("2001:db8:0:1:ffff::1")).isNull();
        assertThat(enter("2001:db8:0:2::1")).isNotNull();
    }

    @Test
    void whoeverRestsGoesOnWhenTheServerStops() throws InterruptedException {
        Listeners.Listener listener = enter("192.0.2.1");
        listeners.start();
        listeners.stop();
        listener.rest(Long.MAX_VALUE);
        assertThat(listener.isOver()).isTrue();
    }
}
