package org.pressboard.mail;

import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.change.Once;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The letters that wait to be sent, and those that were; all are forgotten after some months. */
@Component
public class Outbox {

    private static final int MOST_TRIES = 8;
    private static final Duration FIRST_PAUSE = Duration.ofSeconds(30);
    private static final String COLUMNS = "id, recipient, subject, body, why, written_at, state, tries, problem";

    private final DSLContext sql;
    private final Once once;

    Outbox(DSLContext sql, Once once) {
        this.once = once;
        this.sql = sql;
    }

    /** What became of a letter. */
    public enum State { WAITING, SENT, FAILED }

    /**
     * A letter in the outbox.
     *
     * @param problem why the last try failed; empty: none did
     */
    public record Posted(long id, Letter letter, Instant written, State state, int tries, String problem) {
    }

    /** Puts a letter into the outbox, within the caller's transaction where there is one. */
    @Transactional
    public void put(Letter letter) {
        sql.execute("insert into pressboard.message (recipient, subject, body, why) values ({0}, {1}, {2}, {3})",
                DSL.val(letter.to()), DSL.val(letter.subject()), DSL.val(letter.body()), DSL.val(letter.why().name()));
    }

    /** The latest letters, the last first, from before that one if one is named. */
    @Transactional(readOnly = true)
    public List<Posted> latest(@Nullable Long before, int most) {
        return sql.fetch("select " + COLUMNS + " from pressboard.message where id < {0} order by id desc limit {1}",
                DSL.val(before == null ? Long.MAX_VALUE : before), DSL.val(most)).map(Outbox::posted);
    }

    /** A letter to be sent now, which no other node sends meanwhile; to be told what became of it. */
    public interface Carrier {

        /** @throws Undelivered when it could not be sent */
        void carry(Letter letter) throws Undelivered;
    }

    /** Why a letter could not be sent. */
    public static final class Undelivered extends Exception {

        public Undelivered(String why, Throwable cause) {
            super(why, cause);
        }
    }

    /** Has the next letter that is due carried; false when none is. One that fails is tried again, less and less often. */
    @Transactional
    public boolean sendNext(Carrier carrier) {
        Record due = sql.fetchOne("select " + COLUMNS
                + " from pressboard.message where state = 'WAITING' and next_try_at <= now() "
                + "order by next_try_at limit 1 for update skip locked");
        if (due == null) {
            return false;
        }
        Posted posted = posted(due);
        try {
            carrier.carry(posted.letter());
            note(posted, State.SENT, "");
        } catch (Undelivered failed) {
            note(posted, posted.tries() + 1 >= MOST_TRIES ? State.FAILED : State.WAITING,
                    String.valueOf(failed.getMessage()));
        }
        return true;
    }

    private void note(Posted posted, State state, String problem) {
        sql.execute("""
                update pressboard.message set state = {0}, tries = tries + 1, problem = {1},
                    next_try_at = now() + make_interval(secs => {2}) where id = {3}""", DSL.val(state.name()),
                DSL.val(problem), DSL.val((double) FIRST_PAUSE.multipliedBy(1L << posted.tries()).toSeconds()),
                DSL.val(posted.id()));
    }

    @Scheduled(cron = "0 23 3 * * *")
    public void forgetOldOnce() {
        once.every(Duration.ofMinutes(60), "letters", this::forgetOld);
    }

    /** The same now, whoever has done it. */
    @Transactional
    public void forgetOld() {
        sql.execute("delete from pressboard.message where written_at < now() - interval '90 days'");
    }

    private static Posted posted(Record found) {
        return new Posted(found.get("id", Long.class), new Letter(found.get("recipient", String.class),
                found.get("subject", String.class), found.get("body", String.class),
                Letter.Why.valueOf(found.get("why", String.class))),
                found.get("written_at", OffsetDateTime.class).toInstant(), State.valueOf(found.get("state", String.class)),
                found.get("tries", Integer.class), found.get("problem", String.class));
    }
}
