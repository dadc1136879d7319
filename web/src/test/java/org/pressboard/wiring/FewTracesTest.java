package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

class FewTracesTest {

    private final AtomicLong now = new AtomicLong();
    private final LoggerContext logs = new LoggerContext();
    private final ListAppender<ILoggingEvent> written = new ListAppender<>();
    private final Logger logger = logs.getLogger("some");

    @Test
    void afterSoManyNoMoreAreWrittenUntilTimeHasPassed() {
        logs.addTurboFilter(new FewTraces(now::get));
        written.setContext(logs);
        written.start();
        logger.addAppender(written);
        fail(500);
        assertThat(written.list).filteredOn(event -> event.getThrowableProxy() != null).hasSize(FewTraces.MOST);
        assertThat(written.list).filteredOn(event -> event.getLevel() == Level.WARN).singleElement()
                .satisfies(event -> assertThat(event.getFormattedMessage()).contains("No more traces"));
        logger.info("what has none is written as ever");
        assertThat(written.list.getLast().getMessage()).contains("as ever");
        now.addAndGet(Duration.ofMinutes(11).toNanos());
        fail(3);
        assertThat(written.list).filteredOn(event -> event.getThrowableProxy() != null).hasSize(FewTraces.MOST + 3);
    }

    private void fail(int times) {
        for (int i = 0; i < times; i++) {
            logger.error("broke", new IllegalStateException("of " + i));
        }
    }
}
