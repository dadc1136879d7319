package org.pressboard.stand;

import org.pressboard.listing.Asked;
import org.pressboard.problem.Problems;

/** A part of an address cannot be followed, where more than was asked for would be given without it. */
public final class NotHonoured extends RuntimeException {

    private final transient Problems problems;

    private NotHonoured(Problems problems) {
        super(problems.toString());
        this.problems = problems;
    }

    /** @throws NotHonoured when anything in the address does not count */
    public static void refuse(Asked asked) {
        Problems problems = asked.notHonoured();
        if (!problems.isEmpty()) {
            throw new NotHonoured(problems);
        }
    }

    public Problems problems() {
        return problems;
    }
}
