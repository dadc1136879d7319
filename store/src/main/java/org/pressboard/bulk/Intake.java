package org.pressboard.bulk;

import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.pressboard.intake.Dialect;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Survey;
import org.pressboard.problem.Problems;

/**
 * A file that somebody brought, and how far it has come.
 *
 * @param survey   what it holds, once it has been read
 * @param plan     what it is to become: suggested at first, then as the owner said
 * @param problems why it could not be read or brought in
 * @param rowsDone how many of its rows have been read or brought in so far
 * @param rowsAside how many rows did not fit and are kept aside
 * @param asked    how somebody said that it is written, when it was last read so; else {@code null}
 * @param digest   the same for files with the same content, however they are called; empty where it is not known
 */
public record Intake(UUID id, String fileName, long fileSize, Status status, @Nullable Survey survey,
                     @Nullable Plan plan, Problems problems, long rowsDone, long rowsAside,
                     @Nullable String tableKey, @Nullable String pageKey, @Nullable Dialect asked, String digest,
                     Instant createdAt, Instant beatAt) {

    private static final Duration LONGEST_SILENCE = Duration.ofSeconds(30);

    /** How far it has come; {@code KEPT}: it is here, and not looked into yet. */
    public enum Status {
        KEPT, READING, READY, REFUSED, LOADING, DONE, FAILED, CANCELLED;

        public boolean isUnderWay() {
            return this == READING || this == LOADING;
        }
    }

    /** Whether work on it can begin: it is not done, and nobody works on it. */
    boolean isFree() {
        return status != Status.DONE && (!status.isUnderWay() || isInterrupted());
    }

    /** Whether whoever worked on it is gone; nothing of it has been kept then. */
    public boolean isInterrupted() {
        return status.isUnderWay() && beatAt.isBefore(Instant.now().minus(LONGEST_SILENCE));
    }
}
