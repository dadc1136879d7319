package org.pressboard.bulk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.turn.Busy;
import org.pressboard.turn.Turns;
import org.pressboard.sql.NoRoom;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/** Works on files in the background: few at once, the others after them. How each ends is noted. */
@Component
class IntakeWork implements DisposableBean {

    /** Somebody else does what was to be done. */
    static final Future<?> NOTHING_TO_DO = CompletableFuture.completedFuture(null);

    private static final Logger LOG = LoggerFactory.getLogger(IntakeWork.class);
    private static final Duration BETWEEN_BEATS = Duration.ofSeconds(5);
    private static final int AT_ONCE = 2;

    private final IntakeRecords records;
    private final Turns turns = new Turns(AT_ONCE);
    private final ExecutorService background = Executors.newVirtualThreadPerTaskExecutor();

    IntakeWork(IntakeRecords records) {
        this.records = records;
    }

    /** Something to do with a file. */
    interface Work {

        void run() throws IOException;
    }

    /** The work is no longer wanted; unwinds it. */
    private static final class Cancelled extends RuntimeException {
    }

    /** Begins work on a file and returns at once. */
    Future<?> begin(UUID id, Work work) {
        return background.submit(() -> guarded(id, () -> inTurn(id, work)));
    }

    /** Notes progress; ends the work when it is no longer wanted. */
    void beat(UUID id, long rows, long aside) {
        if (!records.beat(id, rows, aside)) {
            throw new Cancelled();
        }
    }

    /** Whoever waits for a turn says from time to time that they are still there. */
    private void inTurn(UUID id, Work work) throws IOException {
        boolean isDone = false;
        while (!isDone) {
            beat(id, 0, 0);
            try {
                isDone = turns.take(BETWEEN_BEATS, () -> run(work));
            } catch (Busy others) {
                LOG.debug("Intake {} waits for its turn", id);
            } catch (UncheckedIOException failed) {
                throw failed.getCause();
            }
        }
    }

    private static boolean run(Work work) {
        try {
            work.run();
            return true;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private void guarded(UUID id, Work work) {
        try {
            work.run();
        } catch (Cancelled noLongerWanted) {
            LOG.info("Intake {} was cancelled", id);
        } catch (ProblemsFound found) {
            records.changeAtOnce(id, entity -> entity.end(Intake.Status.REFUSED, found.problems()));
        } catch (IOException | RuntimeException failed) {
            LOG.warn("Intake {} failed", id, failed);
            records.changeAtOnce(id, entity ->
                    entity.end(Intake.Status.FAILED, Problems.of(Problem.of(NoRoom.is(failed) ? "no-room" : "intake.failed"))));
        }
    }

    @Override
    public void destroy() {
        background.shutdownNow();
    }
}
