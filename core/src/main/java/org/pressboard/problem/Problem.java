package org.pressboard.problem;

import java.util.List;

/**
 * One finding: what is wrong, as a code whose sentence stands in the message bundles, and the details that
 * the sentence names (the found value quoted, the place, what would be valid).
 */
public record Problem(String code, List<Object> details) {

    public Problem {
        details = List.copyOf(details);
    }

    public static Problem of(String code, Object... details) {
        return new Problem(code, List.of(details));
    }
}
