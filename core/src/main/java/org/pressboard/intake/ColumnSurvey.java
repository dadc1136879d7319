package org.pressboard.intake;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What was found in one column of a file.
 *
 * @param filled    how many records have a text in it
 * @param blanks    how many have nothing but blanks
 * @param fits      for each reading with a shape, how the texts go with it; a reading that nothing fits is left out
 * @param suggested the readings that the evidence bears out: one, or two when it cannot tell them apart
 * @param looksLikeYears whether all whole numbers in it are of four digits, from 1000 to 2999
 * @param options   the different texts where they are few, in the order in which they came; else empty
 */
public record ColumnSurvey(Heading heading, long filled, long blanks, Map<Reading, Fit> fits, List<Reading> suggested,
                           List<String> options, boolean looksLikeYears) {

    public ColumnSurvey {
        fits = Map.copyOf(fits);
        suggested = List.copyOf(suggested);
        options = List.copyOf(options);
    }

    public String label() {
        return heading.label();
    }

    public boolean isUndecided() {
        return suggested.size() > 1;
    }

    /** How the texts go with the reading: all of them with readings that take any text. */
    public Fit fit(Reading reading) {
        return fits.getOrDefault(reading, Fit.WHOLE);
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
            default -> fits.containsKey(reading);
        };
    }

    /** The reading that all texts would fit, though some would not be the same afterwards; taken for text meanwhile. */
    public Optional<Reading> atAPrice() {
        boolean isText = !suggested.getFirst().isShaped();
        return Reading.SHAPED.stream()
                .filter(reading -> isText && fits.containsKey(reading))
                .filter(reading -> fit(reading).misfits().count() == 0 && fit(reading).altered().count() > 0)
                .findFirst();
    }
}
