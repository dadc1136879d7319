package org.pressboard.problem;

/** Work that could not be done because of what was found; nothing of it has been kept. */
public final class ProblemsFound extends RuntimeException {

    private final transient Problems problems;

    public ProblemsFound(Problems problems) {
        super(problems.toString());
        this.problems = problems;
    }

    public static ProblemsFound of(String code, Object... details) {
        return new ProblemsFound(Problems.of(Problem.of(code, details)));
    }

    public Problems problems() {
        return problems;
    }
}
