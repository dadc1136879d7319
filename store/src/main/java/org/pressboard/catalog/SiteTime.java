package org.pressboard.catalog;

import java.time.ZoneId;
import java.util.List;
import java.util.TimeZone;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Has the process keep the time of its site: one process serves one site, so that the site's time zone is its default. Whatever
 * depends on the day or writes a time goes by it, wherever the machine stands.
 */
@Component
public class SiteTime implements SmartInitializingSingleton {

    private static final List<String> REGIONS = List.of("Africa/", "America/", "Antarctica/", "Arctic/", "Asia/", "Atlantic/",
            "Australia/", "Europe/", "Indian/", "Pacific/", "UTC");

    private final Catalog catalog;
    private final DSLContext sql;

    SiteTime(Catalog catalog, DSLContext sql) {
        this.catalog = catalog;
        this.sql = sql;
    }

    /** Before anything is worked out by it. A site that has no time zone yet gets the machine's. */
    @Override
    @Transactional
    public void afterSingletonsInstantiated() {
        sql.execute("update pressboard.site set zone = {0} where zone is null", DSL.val(ZoneId.systemDefault().getId()));
        keep();
    }

    /** From now on, and whenever it is called, the time zone is the site's. */
    @Transactional(readOnly = true)
    public void keep() {
        ZoneId zone = catalog.site().zone();
        if (!ZoneId.systemDefault().equals(zone)) {
            TimeZone.setDefault(TimeZone.getTimeZone(zone));
        }
    }

    /** The time zones that can be a site's: those that this machine and the database know, and the one it has. */
    @Transactional(readOnly = true)
    public List<String> zones() {
        List<String> known = sql.fetch("select name from pg_timezone_names").getValues(0, String.class);
        return Stream.concat(Stream.of(catalog.site().zone().getId()), ZoneId.getAvailableZoneIds().stream()
                .filter(zone -> REGIONS.stream().anyMatch(zone::startsWith)).filter(known::contains)).distinct().sorted().toList();
    }
}
