package org.pressboard.log;

import java.time.Duration;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.change.Once;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Remembers for a year who did what. */
@Component
public class Log {

    private static final int LONGEST = 300;
    private static final int ROWS_AT_ONCE = 1000;

    private final DSLContext sql;
    private final Once once;

    Log(DSLContext sql, Once once) {
        this.once = once;
        this.sql = sql;
    }

    /**
     * What one looks for.
     *
     * @param what   {@code null}: anything
     * @param words  what stands in who, from where, or about what; empty: anything
     * @param from   the first day; {@code null}: any
     * @param to     the last day
     * @param before only what came before that one
     */
    public record Search(Logged.@Nullable What what, String words, @Nullable LocalDate from, @Nullable LocalDate to,
                         @Nullable Long before) {
    }

    /** Remembers it, within the caller's transaction where there is one; what is very long is cut. */
    @Transactional
    public void note(Logged.What what, @Nullable Long account, String who, String origin, String about) {
        sql.execute("insert into pressboard.log_entry (what, account, who, origin, about) values ({0}, {1}, {2}, {3}, {4})",
                DSL.val(what.name()), DSL.val(account, Long.class), DSL.val(cut(who)), DSL.val(cut(origin)),
                        DSL.val(cut(about)));
    }

    private static String cut(String text) {
        String plain = text.replace("\0", "");
        return plain.length() <= LONGEST ? plain : plain.substring(0, LONGEST - 1) + "…";
    }

    /** The latest that is found, the last first. */
    @Transactional(readOnly = true)
    public List<Logged> find(Search search, int most) {
        return sql.fetch("select * from pressboard.log_entry where {0} order by id desc limit {1}", where(search),
                DSL.val(most)).map(Log::logged);
    }

    /** All that is found, the last first, a few in memory at a time. */
    @Transactional(readOnly = true)
    public void all(Search search, Consumer<Logged> each) {
        try (Stream<Record> found = sql.resultQuery("select * from pressboard.log_entry where {0} order by id desc",
                where(search)).fetchSize(ROWS_AT_ONCE).stream()) {
            found.map(Log::logged).forEach(each);
        }
    }

    private static Condition where(Search search) {
        Condition where = DSL.noCondition();
        if (search.what != null) {
            where = where.and("what = {0}", DSL.val(search.what.name()));
        }
        if (!search.words.isBlank()) {
            where = where.and("position({0} in lower(who || ' ' || origin || ' ' || about)) > 0",
                    DSL.lower(DSL.val(search.words.strip())));
        }
        if (search.from != null) {
            where = where.and("at >= {0}", DSL.val(start(search.from)));
        }
        if (search.to != null) {
            where = where.and("at < {0}", DSL.val(start(search.to.plusDays(1))));
        }
        return search.before == null ? where : where.and("id < {0}", DSL.val(search.before));
    }

    private static OffsetDateTime start(LocalDate day) {
        return day.atStartOfDay(ZoneId.systemDefault()).toOffsetDateTime();
    }

    @Scheduled(cron = "0 29 3 * * *")
    public void forgetOldOnce() {
        once.every(Duration.ofMinutes(60), "log", this::forgetOld);
    }

    /** The same now, whoever has done it. */
    @Transactional
    public void forgetOld() {
        sql.execute("delete from pressboard.log_entry where at < now() - interval '1 year'");
    }

    private static Logged logged(Record found) {
        return new Logged(found.get("id", Long.class), found.get("at", OffsetDateTime.class).toInstant(),
                Logged.What.valueOf(found.get("what", String.class)), found.get("account", Long.class),
                found.get("who", String.class), found.get("origin", String.class), found.get("about", String.class));
    }
}
