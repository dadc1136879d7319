package org.pressboard.problem;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;

/** Findings in the order in which they were made; empty when all is well. A plain value, not an exception. */
public record Problems(List<Problem> all) implements Iterable<Problem> {

    public static final Problems NONE = new Problems(List.of());

    public Problems {
        all = List.copyOf(all);
    }

    public static Problems of(Problem... problems) {
        return new Problems(List.of(problems));
    }

    public boolean isEmpty() {
        return all.isEmpty();
    }

    public Problems and(Problems more) {
        List<Problem> both = new ArrayList<>(all);
        both.addAll(more.all);
        return new Problems(both);
    }

    @Override
    public Iterator<Problem> iterator() {
        return all.iterator();
    }

    /** Ends the work with these findings; does nothing when there are none. */
    public void throwIfAny() {
        if (!isEmpty()) {
            throw new ProblemsFound(this);
        }
    }
}
