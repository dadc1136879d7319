package org.pressboard.intake;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.pressboard.value.Value;

/** Gathers the evidence of one column, record by record. */
final class ColumnTally {

    /** More different texts than this are no choice. */
    static final int MOST_OPTIONS = 100;

    private static final int LONGEST_OPTION = 60;
    private static final int LONGEST_TEXT = 200;
    private static final Pattern SENTENCE = Pattern.compile(".+\\s.+[.!?]");
    private static final int EXAMPLES = 5;
    private static final int MOST_DIGITS_SHOWN = 12;

    /** With fewer texts than this, a single one that does not fit is as good as many. */
    private static final int ENOUGH_EVIDENCE = 20;
    private static final double TOLERATED_MISFITS = 0.05;

    /** A reading that not one of so many texts fits is not tried on the rest, which may be a million. */
    private static final int TRIED_IN_VAIN = 2_000;

    private final String label;
    private final Map<Reading, Count> counts = new EnumMap<>(Reading.class);
    private final Set<String> options = new LinkedHashSet<>();
    private boolean tooManyOptions;
    private boolean longText;
    private boolean marked;
    private boolean leadingZero;
    private boolean onlyYears = true;
    private long filled;

    private static final class Count {
        private long misfits;
        private int digits;
        private final List<Misfits.Example> examples = new ArrayList<>();
    }

    ColumnTally(String label) {
        this.label = label;
        Reading.SHAPED.forEach(reading -> counts.put(reading, new Count()));
    }

    void add(String text, long line) {
        filled++;
        counts.forEach((reading, count) -> tally(reading, count, text, line));
        if (filled == TRIED_IN_VAIN) {
            counts.values().removeIf(count -> count.misfits == filled);
        }
        noteOption(text);
        longText |= text.length() > LONGEST_TEXT || text.indexOf('\n') >= 0;
        marked |= text.indexOf(',') >= 0 || text.indexOf('.') >= 0;
        leadingZero |= text.length() > 1 && text.charAt(0) == '0' && Numbers.isDigit(text.charAt(1));
    }

    private void tally(Reading reading, Count count, String text, long line) {
        Optional<Value> value = reading.read(text);
        if (value.isEmpty()) {
            count.misfits++;
            if (count.examples.size() < EXAMPLES) {
                count.examples.add(new Misfits.Example(line, text));
            }
        } else if (value.get() instanceof Value.Decimal(var number)) {
            count.digits = Math.clamp(number.scale(), count.digits, MOST_DIGITS_SHOWN);
        } else if (value.get() instanceof Value.Whole(long number)) {
            onlyYears &= number >= 1000 && number <= 2999;
        }
    }

    private void noteOption(String text) {
        if (tooManyOptions) {
            return;
        }
        options.add(text);
        if (options.size() > MOST_OPTIONS || text.length() > LONGEST_OPTION || text.indexOf('\n') >= 0) {
            tooManyOptions = true;
            options.clear();
        }
    }

    ColumnSurvey survey() {
        Map<Reading, Misfits> misfits = new EnumMap<>(Reading.class);
        counts.forEach((reading, count) -> {
            if (count.misfits < filled) {
                misfits.put(reading, new Misfits(count.misfits, count.examples, count.digits));
            }
        });
        return new ColumnSurvey(label, filled, misfits, suggested(), List.copyOf(options), onlyYears);
    }

    private List<Reading> suggested() {
        if (filled == 0) {
            return List.of(Reading.TEXT);
        }
        return Reading.SHAPED.stream().filter(this::isBorneOut).min(this::byMisfits)
                .map(this::withRival).orElseGet(() -> List.of(textual()));
    }

    private boolean isBorneOut(Reading reading) {
        long misfits = misfits(reading);
        boolean isCode = leadingZero && (reading == Reading.WHOLE || reading == Reading.DECIMAL_POINT
                || reading == Reading.DECIMAL_COMMA);
        return misfits == 0 || (!isCode && filled >= ENOUGH_EVIDENCE && misfits <= filled * TOLERATED_MISFITS);
    }

    /** Fewest misfits first; of equals, the one preferred. */
    private int byMisfits(Reading one, Reading other) {
        int order = Long.compare(misfits(one), misfits(other));
        return order != 0 ? order : one.compareTo(other);
    }

    private List<Reading> withRival(Reading reading) {
        return reading.rival()
                .filter(rival -> misfits(rival) == misfits(reading) && (marked || reading != Reading.DECIMAL_POINT))
                .map(rival -> List.of(reading, rival))
                .orElse(List.of(reading));
    }

    private Reading textual() {
        if (longText) {
            return Reading.LONG_TEXT;
        }
        return !options.isEmpty() && filled >= 3L * options.size() && !areSentences() ? Reading.CHOICE : Reading.TEXT;
    }

    /** Notes that come up again and again are no choice. */
    private boolean areSentences() {
        return options.stream().filter(text -> SENTENCE.matcher(text).matches()).count() * 2 > options.size();
    }

    private long misfits(Reading reading) {
        Count count = counts.get(reading);
        return count == null ? filled : count.misfits;
    }
}
