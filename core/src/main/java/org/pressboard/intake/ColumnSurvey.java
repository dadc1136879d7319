package org.pressboard.intake;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/**
 * What was found in one column of a file.
 *
 * @param filled    how many records have a text in it
 * @param blanks    how many have nothing but blanks
 * @param fits      for each reading with a shape, how the texts go with it; a reading that nothing fits is left out
 * @param suggested the readings that the evidence bears out: one, or two when it cannot tell them apart
 * @param looksLikeYears whether all whole numbers in it are of four digits, from 1000 to 2999
 * @param options   the different texts where they are few, in the order in which they came; else empty
 * @param currency  the one that amounts of money in it are of; empty where there are none
 * @param tagged    texts with HTML in them, the examples with the first tag of each
 */
public record ColumnSurvey(Heading heading, long filled, long blanks, Map<Reading, Fit> fits, List<Reading> suggested,
                           List<String> options, boolean looksLikeYears, String currency,
                           Fit.Found tagged) {

    private static final int MOST_MARKS = 10;
    private static final int USUAL_MARKS = 5;

    public ColumnSurvey {
        fits = Map.copyOf(fits);
        suggested = List.copyOf(suggested);
        options = List.copyOf(options);
        // a file that waited while Pressboard was brought up to date
        currency = Objects.requireNonNullElse(currency, "");
        tagged = Objects.requireNonNullElse(tagged, Fit.Found.NONE);
    }

    public String label() {
        return heading.label();
    }

    public boolean isUndecided() {
        return suggested.size() > 1;
    }

    /** How the texts go with the reading: all of them with readings that take any text. */
    public Fit fit(Reading reading) {
        return fits.getOrDefault(reading.basis().orElse(reading), Fit.WHOLE);
    }

    /** The readings worth offering: those that at least one text fits. */
    public List<Reading> offered() {
        return List.of(Reading.values()).stream().filter(this::isOffered).toList();
    }

    private boolean isOffered(Reading reading) {
        return switch (reading) {
            case TEXT, LONG_TEXT, FORMATTED_TEXT, REFERENCE, REFERENCES, PICTURE, PICTURES, FILE -> true;
            case FORMATTED_HTML -> tagged.count() > 0;
            case CHOICE -> !options.isEmpty();
            case CHOICES -> options.stream().anyMatch(text -> PlainForm.parts(text).size() > 1);
            case RATING -> marks() > 0;
            case AMOUNT_POINT, SHARE_POINT -> fits.containsKey(Reading.DECIMAL_POINT);
            // where the mark makes no difference, one way of reading is enough
            case AMOUNT_COMMA, SHARE_COMMA -> fits.containsKey(Reading.DECIMAL_COMMA)
                    && !fit(Reading.DECIMAL_COMMA).equals(fits.get(Reading.DECIMAL_POINT));
            case MONEY_POINT, MONEY_COMMA -> fits.containsKey(reading) && !currency.isEmpty();
            case YES_NO, WHOLE, DECIMAL_POINT, DECIMAL_COMMA, DATE_YEAR_FIRST, DATE_DAY_FIRST, DATE_MONTH_FIRST, DATE_MONTH_NAMED,
                    MOMENT_YEAR_FIRST, MOMENT_DAY_FIRST, MOMENT_MONTH_FIRST, MOMENT_MONTH_NAMED, TIME, PERCENT_POINT, PERCENT_COMMA,
                    EMAIL, LINK, PHONE -> fits.containsKey(reading);
        };
    }

    /** The texts that it has, one or several in a cell. */
    List<String> parts() {
        return options.stream().flatMap(text -> PlainForm.parts(text).stream()).distinct().toList();
    }

    /** The most marks of a rating that its whole numbers may be; 0: they are none. */
    int marks() {
        Fit whole = fit(Reading.WHOLE);
        return whole.misfits().count() == 0 && whole.least() instanceof Value.Whole(long least)
                && whole.greatest() instanceof Value.Whole(long greatest) && least >= 0 && greatest <= MOST_MARKS
                ? Math.max(USUAL_MARKS, (int) greatest) : 0;
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
