package org.pressboard.listing;

import org.pressboard.problem.Problems;

/** What was read from an address: the state, and what in the address could not be followed. */
public record Asked(RequestState state, Problems problems) {
}
