package org.pressboard.intake;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.problem.Problem;
import org.pressboard.value.Value;

/** What became of one record of a file. */
public sealed interface Outcome {

    /** Its values, one for each taken column in the plan's order; {@code null} where there is none. */
    record Fits(List<@Nullable Value> values) implements Outcome {
    }

    /** It is kept aside: the line on which it begins, why, and its texts as they stand in the file. */
    record KeptAside(long line, List<Problem> reasons, List<String> texts) implements Outcome {
        public KeptAside {
            reasons = List.copyOf(reasons);
            texts = List.copyOf(texts);
        }
    }
}
