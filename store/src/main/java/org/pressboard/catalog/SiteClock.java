package org.pressboard.catalog;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;

/** The clock of a site: in its time zone, also when that is changed. See {@link SiteTime}. */
public final class SiteClock extends Clock {

    @Override
    public ZoneId getZone() {
        return ZoneId.systemDefault();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.system(zone);
    }

    @Override
    public Instant instant() {
        return Instant.now();
    }
}
