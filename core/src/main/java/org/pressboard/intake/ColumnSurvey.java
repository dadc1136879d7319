package org.pressboard.intake;

import java.util.List;
import java.util.Map;

/**
 * What was found in one column of a file.
 *
 * @param label     the heading, or a name made up where there is none
 * @param filled    how many records have a text in it
 * @param misfits   for each reading with a shape, what does not fit it; a reading that nothing fits is left out
 * @param suggested the readings that the evidence bears out: one, or two when it cannot tell them apart
 * @param looksLikeYears whether all whole numbers in it are of four digits, from 1000 to 2999
 * @param options   the different texts where they are few, in the order in which they came; else empty
 */
public record ColumnSurvey(String label, long filled, Map<Reading, Misfits> misfits, List<Reading> suggested,
                           List<String> options, boolean looksLikeYears) {

    public ColumnSurvey {
        misfits = Map.copyOf(misfits);
        suggested = List.copyOf(suggested);
        options = List.copyOf(options);
    }

    public boolean isUndecided() {
        return suggested.size() > 1;
    }

    /** What does not fit the reading: nothing for readings that take any text. */
    public Misfits misfitsOf(Reading reading) {
        return misfits.getOrDefault(reading, Misfits.NONE);
    }

    /** The readings worth offering: those that at least one text fits. */
    public List<Reading> offered() {
        return List.of(Reading.values()).stream().filter(this::isOffered).toList();
    }

    private boolean isOffered(Reading reading) {
        return switch (reading) {
            case TEXT, LONG_TEXT -> true;
            case PICTURE -> false;
            case CHOICE -> !options.isEmpty();
            default -> misfits.containsKey(reading);
        };
    }
}
