package org.pressboard.mail;

import java.time.Duration;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Letters about something that may happen very often: of each thing one is written at once, and what happens in the next ten
 * minutes is counted and told in one more. So nobody's letter box is filled, whatever strangers send.
 */
@Component
public class Gathering {

    static final Duration PER = Duration.ofMinutes(10);

    private final DSLContext sql;

    Gathering(DSLContext sql) {
        this.sql = sql;
    }

    /**
     * So many times something has happened that somebody is to be told of.
     *
     * @param about what; as it was said when it happened
     */
    public record Told(String recipient, String about, int times) {
    }

    /** Whether a letter about it is to be written now; else it is counted, to be told later. Within the caller's transaction. */
    @Transactional
    public boolean isFirst(String recipient, String about) {
        return sql.fetchSingle("""
                insert into pressboard.gathered as known (recipient, about, rows, since) values ({0}, {1}, 0, now())
                on conflict (recipient, about) do update set
                    rows = case when known.rows = 0 and known.since < now() - {2}::interval then 0 else known.rows + 1 end,
                    since = case when known.rows = 0 and known.since < now() - {2}::interval then now() else known.since end
                returning rows""", DSL.val(recipient), DSL.val(about), per()).get(0, Integer.class) == 0;
    }

    /** What is due to be told, which no other node tells meanwhile; nothing when nothing is. Within the caller's transaction. */
    @Transactional
    public Optional<Told> next() {
        Record due = sql.fetchOne("""
                update pressboard.gathered told set rows = 0, since = now() from (
                    select recipient, about, rows from pressboard.gathered where rows > 0 and since < now() - {0}::interval
                    order by since limit 1 for update skip locked) due
                where told.recipient = due.recipient and told.about = due.about
                returning due.recipient, due.about, due.rows""", per());
        return Optional.ofNullable(due).map(told -> new Told(told.get(0, String.class), told.get(1, String.class),
                told.get(2, Integer.class)));
    }

    private static org.jooq.Param<String> per() {
        return DSL.inline(PER.toSeconds() + " seconds");
    }
}
