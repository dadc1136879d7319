package org.pressboard.intake;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.Value;

/** Gathers the evidence of one column, record by record. */
final class ColumnTally {

    /** More different texts than this are no choice. */
    static final int MOST_OPTIONS = 100;

    private static final int LONGEST_OPTION = 60;

    /** In a small file: so few texts, so short, each about twice at least, are a choice, too. */
    private static final int FEW_OPTIONS = 12;
    private static final int LONGEST_OF_FEW = 30;

    private static final int MOST_EXAMPLES = 5;
    private static final Pattern TAG = Pattern.compile(
            "</?(?:p|br|b|i|u|em|strong|ul|ol|li|h[1-6]|a|div|span|blockquote|code|pre|hr)(?:\\s[^<>]*)?/?>", Pattern.CASE_INSENSITIVE);
    private static final int LONGEST_TEXT = 200;
    private static final Pattern SENTENCE = Pattern.compile(".+\\s.+[.!?]");

    /** With fewer texts than this, a single one that does not fit is as good as many. */
    private static final int ENOUGH_EVIDENCE = 20;
    private static final double TOLERATED_MISFITS = 0.05;

    /** A reading that not one of so many texts fits is not tried on the rest, which may be a million. */
    private static final int TRIED_IN_VAIN = 2_000;

    private final Heading heading;
    private final Map<Reading, FitTally> fits = new EnumMap<>(Reading.class);
    private final Set<String> options = new LinkedHashSet<>();
    private boolean tooManyOptions;
    private boolean longText;
    private boolean marked;
    private boolean leadingZero;
    private boolean onlyYears = true;
    private boolean isOfOneCurrency = true;
    private String currency = "";
    private long tagged;
    private final List<Fit.Example> taggedExamples = new ArrayList<>(0);
    private long filled;
    private long blanks;

    ColumnTally(Heading heading) {
        this.heading = heading;
        Reading.SHAPED.forEach(reading -> fits.put(reading, new FitTally(reading)));
    }

    void add(String text, long line) {
        if (text.isEmpty()) {
            return;
        }
        if (text.isBlank()) {
            blanks++;
            return;
        }
        filled++;
        boolean blanksAround = Character.isWhitespace(text.charAt(0))
                || Character.isWhitespace(text.charAt(text.length() - 1));
        fits.values().forEach(fit -> note(fit, fit.add(text, blanksAround, line), text));
        if (filled == TRIED_IN_VAIN) {
            fits.values().removeIf(fit -> fit.misfits() == filled);
        }
        noteOption(text);
        noteTags(text, line);
        longText |= text.length() > LONGEST_TEXT || text.indexOf('\n') >= 0 || text.indexOf('\r') >= 0;
        marked |= text.indexOf(',') >= 0 || text.indexOf('.') >= 0;
        leadingZero |= text.length() > 1 && text.charAt(0) == '0' && Numbers.isDigit(text.charAt(1));
    }

    private void note(FitTally fit, @Nullable Value value, String text) {
        noteYear(value);
        if (value != null && fit.reading().isMoney()) {
            Amounts.currency(text).ifPresent(this::noteCurrency);
        }
    }

    private void noteCurrency(String of) {
        isOfOneCurrency &= currency.isEmpty() || currency.equals(of);
        currency = of;
    }

    private void noteYear(@Nullable Value value) {
        if (value instanceof Value.Whole(long number)) {
            onlyYears &= number >= 1000 && number <= 2999;
        }
    }

    private void noteTags(String text, long line) {
        if (text.indexOf('<') < 0) {
            return;
        }
        Matcher tag = TAG.matcher(text);
        if (tag.find()) {
            tagged++;
            if (taggedExamples.size() < MOST_EXAMPLES) {
                taggedExamples.add(Fit.Example.of(line, tag.group()));
            }
        }
    }

    private void noteOption(String text) {
        if (tooManyOptions) {
            return;
        }
        if (text.length() <= LONGEST_OPTION && text.indexOf('\n') < 0) {
            options.add(text);
        } else {
            tooManyOptions = true;
        }
        tooManyOptions |= options.size() > MOST_OPTIONS;
        if (tooManyOptions) {
            options.clear();
        }
    }

    ColumnSurvey survey() {
        Map<Reading, Fit> found = new EnumMap<>(Reading.class);
        fits.forEach((reading, fit) -> {
            if (fit.misfits() < filled) {
                found.put(reading, fit.fit(blanks));
            }
        });
        return new ColumnSurvey(heading, filled, blanks, found, suggested(), List.copyOf(options), onlyYears,
                isOfOneCurrency ? currency : "", new Fit.Found(tagged, taggedExamples));
    }

    private List<Reading> suggested() {
        if (filled == 0) {
            return List.of(Reading.TEXT);
        }
        return Reading.SHAPED.stream().filter(this::isBorneOut).min(this::byMisfits)
                .map(this::withRival).orElseGet(() -> List.of(textual()));
    }

    /** Never by values that would not be the same when written back. */
    private boolean isBorneOut(Reading reading) {
        FitTally fit = fits.get(reading);
        boolean isMixed = reading.isMoney() && !isOfOneCurrency;
        if (fit == null || isMixed || fit.alters() || !fit.isEvidence()) {
            return false;
        }
        boolean isCode = leadingZero && reading.isNumber();
        return fit.misfits() == 0
                || (!isCode && filled >= ENOUGH_EVIDENCE && fit.misfits() <= filled * TOLERATED_MISFITS);
    }

    /** Fewest misfits first; of equals, the one preferred. */
    private int byMisfits(Reading one, Reading other) {
        int order = Long.compare(misfits(one), misfits(other));
        return order != 0 ? order : one.compareTo(other);
    }

    private List<Reading> withRival(Reading reading) {
        return reading.rival()
                .filter(rival -> misfits(rival) == misfits(reading) && (marked || !reading.hasMark()))
                .map(rival -> List.of(reading, rival))
                .orElse(List.of(reading));
    }

    private Reading textual() {
        if (longText) {
            return Reading.LONG_TEXT;
        }
        return (areRepeated() || areFewAndShort()) && tagged == 0 && !areSentences() ? Reading.CHOICE : Reading.TEXT;
    }

    private boolean areRepeated() {
        return !options.isEmpty() && filled >= 3L * options.size();
    }

    private boolean areFewAndShort() {
        return options.size() > 1 && options.size() <= FEW_OPTIONS && filled >= 2L * options.size()
                && options.stream().allMatch(text -> text.length() <= LONGEST_OF_FEW);
    }

    /** Notes that come up again and again are no choice. */
    private boolean areSentences() {
        return options.stream().filter(text -> SENTENCE.matcher(text).matches()).count() * 2 > options.size();
    }

    private long misfits(Reading reading) {
        FitTally fit = fits.get(reading);
        return fit == null ? filled : fit.misfits();
    }
}
