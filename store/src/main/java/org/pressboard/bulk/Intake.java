package org.pressboard.bulk;

import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
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
 */
public record Intake(UUID id, String fileName, long fileSize, Status status, @Nullable Survey survey,
                     @Nullable Plan plan, Problems problems, long rowsDone, long rowsAside,
                     @Nullable String tableKey, @Nullable String pageKey, Instant beatAt) {

    private static final Duration LONGEST_SILENCE = Duration.ofSeconds(30);

    /** How far it has come. */
    public enum Status {
        READING, READY, REFUSED, LOADING, DONE, FAILED, CANCELLED;

        public boolean isUnderWay() {
            return this == READING || this == LOADING;
        }
    }

    /** Whether whoever worked on it is gone; nothing of it has been kept then. */
    public boolean isInterrupted() {
        return status.isUnderWay() && beatAt.isBefore(Instant.now().minus(LONGEST_SILENCE));
    }
}
