package org.pressboard.rows;

import java.util.function.Supplier;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.sql.Away;
import org.pressboard.sql.Canceled;
import org.pressboard.sql.NoRoom;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What goes wrong while something is written that nobody foresaw, told as a problem, so that whoever wrote it finds what
 * they typed again. Nothing was changed then; what it was is noted in the log.
 */
public final class Mishap {

    private static final Logger LOG = LoggerFactory.getLogger(Mishap.class);

    private Mishap() {
    }

    /** @throws ProblemsFound in place of what the database throws, but for its being away */
    public static <T> T told(Supplier<T> writing) {
        try {
            return writing.get();
        } catch (org.springframework.dao.DataAccessException | org.springframework.transaction.TransactionException
                | org.jooq.exception.DataAccessException failed) {
            if (Away.is(failed)) {
                throw failed;
            }
            LOG.error("Nothing was written", failed);
            throw ProblemsFound.of(NoRoom.is(failed) ? "no-room" : Canceled.is(failed) ? "took-too-long" : "broken");
        }
    }
}
