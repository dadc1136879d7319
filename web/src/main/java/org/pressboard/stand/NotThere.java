package org.pressboard.stand;

import org.pressboard.problem.Problem;

/** What was asked for is not there for this visitor; whether it is there for others is not said. */
public final class NotThere extends RuntimeException {

    private final transient Problem problem;

    public NotThere(String code) {
        super(code);
        this.problem = Problem.of(code);
    }

    public Problem problem() {
        return problem;
    }
}
