package org.pressboard.testing;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import org.pressboard.condition.Cases;

/** A clock that stands still at the tests' day, until it is set. It is in the zone that the process has. */
public final class SetClock extends Clock {

    private volatile Instant now = start();

    private static Instant start() {
        return Cases.TODAY.atStartOfDay(ZoneId.systemDefault()).toInstant();
    }

    public void set(Instant moment) {
        now = moment;
    }

    public void set(LocalDateTime there) {
        now = there.atZone(getZone()).toInstant();
    }

    public void back() {
        now = start();
    }

    @Override
    public ZoneId getZone() {
        return ZoneId.systemDefault();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.fixed(now, zone);
    }

    @Override
    public Instant instant() {
        return now;
    }
}
