package org.pressboard.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.pressboard.change.ChangeFeed;

class ListenersTest {

    private static final int MOST = 4_000;
    private static final int MOST_OF_ADDRESS = 1_500;

    private final Listeners listeners = new Listeners(Mockito.mock(ChangeFeed.class));

    private Listeners.@Nullable Listener enter(String address) {
        return listeners.enter(Set.of(), 0, address);
    }

    @Test
    void anAddressThatIsTurnedAwayHasNoMoreRoomThanBefore() {
        for (int i = 0; i < MOST_OF_ADDRESS; i++) {
            assertThat(enter("192.0.2.1")).isNotNull();
        }
        List<Listeners.Listener> others = new ArrayList<>();
        for (int i = MOST_OF_ADDRESS; i < MOST; i++) {
            others.add(enter("192.0.2." + (2 + i % 100)));
        }
        assertThat(others).doesNotContainNull();
        for (int i = 0; i < 10; i++) {
            assertThat(enter("192.0.2.1")).isNull();
        }
        others.stream().limit(10).forEach(Listeners.Listener::close);
        assertThat(enter("192.0.2.1")).isNull();
        assertThat(enter("192.0.2.200")).isNotNull();
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
