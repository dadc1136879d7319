package org.pressboard.listing;

import java.util.List;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;

/**
 * What was read from an address.
 *
 * @param problems what in the address could not be followed
 * @param unknown  the names of parameters that mean nothing to a listing, such as those that others hang on to links
 */
public record Asked(RequestState state, Problems problems, List<String> unknown) {

    public Asked {
        unknown = List.copyOf(unknown);
    }

    /** Everything in the address that does not count, for where nothing may be let be. */
    public Problems notHonoured() {
        return problems.and(new Problems(unknown.stream().map(name -> Problem.of("state.unknown", name)).toList()));
    }
}
