package org.pressboard.grant;

import org.pressboard.condition.Condition;
import org.pressboard.problem.Problem;

/** The answer to the question whether a visitor may do something with the rows of a table. */
public sealed interface Decision {

    /** Allowed for the rows that meet the condition. */
    record Allowed(Condition rows) implements Decision {
    }

    /** Refused for every row; the reason says what is missing. */
    record Refused(Problem reason) implements Decision {
    }

    /** The rows it is allowed for; never any when refused. */
    default Condition rows() {
        return switch (this) {
            case Allowed allowed -> allowed.rows;
            case Refused refused -> Condition.NEVER;
        };
    }

    default boolean isAllowed() {
        return this instanceof Allowed;
    }
}
