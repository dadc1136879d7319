package org.pressboard.wiring;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.LoggerContext;
import ch.qos.logback.classic.turbo.TurboFilter;
import ch.qos.logback.core.spi.FilterReply;
import java.time.Duration;
import java.util.function.LongSupplier;
import org.jspecify.annotations.Nullable;
import org.slf4j.LoggerFactory;
import org.slf4j.Marker;

/**
 * So many errors with the trace of where they came from are written in ten minutes, whoever causes them; a fault that
 * somebody found out how to cause again and again does not fill the disk. The last one says so.
 */
final class FewTraces extends TurboFilter {

    static final int MOST = 60;
    private static final long PER_NANOS = Duration.ofMinutes(10).toNanos();

    private final LongSupplier nanos;
    private long since;
    private int written;

    FewTraces(LongSupplier nanos) {
        this.nanos = nanos;
        this.since = nanos.getAsLong();
    }

    /** From now on, for all that is logged. */
    static void begin() {
        if (LoggerFactory.getILoggerFactory() instanceof LoggerContext logs
                && logs.getTurboFilterList().stream().noneMatch(FewTraces.class::isInstance)) {
            logs.addTurboFilter(new FewTraces(System::nanoTime));
        }
    }

    @Override
    public FilterReply decide(@Nullable Marker marker, Logger logger, Level level, @Nullable String format,
            Object @Nullable [] details, @Nullable Throwable failed) {
        if (failed == null || !level.isGreaterOrEqual(Level.WARN)) {
            return FilterReply.NEUTRAL;
        }
        int number = number();
        if (number == MOST) {
            logger.warn("No more traces are written for ten minutes; there were {}", MOST);
        }
        return number > MOST ? FilterReply.DENY : FilterReply.NEUTRAL;
    }

    private synchronized int number() {
        long now = nanos.getAsLong();
        if (now - since > PER_NANOS) {
            since = now;
            written = 0;
        }
        return written > MOST ? written : ++written;
    }
}
