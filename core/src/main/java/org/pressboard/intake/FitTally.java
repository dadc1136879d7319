package org.pressboard.intake;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.Value;

/** Gathers how the texts of one column go with one reading. */
final class FitTally {

    private static final int EXAMPLES = 5;
    private static final int FEWEST_DIGITS = 7;

    private final Reading reading;
    private final Found misfits = new Found();
    private final Found altered = new Found();
    private long trimmed;
    private int digits;
    private long international;
    private long national;
    private boolean sawYes;
    private boolean sawNo;
    private @Nullable Value least;
    private @Nullable Value greatest;

    private static final class Found {
        private long count;
        private final List<Fit.Example> examples = new ArrayList<>(0);

        void add(String text, long line) {
            count++;
            if (examples.size() < EXAMPLES) {
                examples.add(Fit.Example.of(line, text));
            }
        }

        Fit.Found found() {
            return new Fit.Found(count, examples);
        }
    }

    FitTally(Reading reading) {
        this.reading = reading;
    }

    /** The value that the text is read as, or null when it does not fit. */
    @Nullable Value add(String text, boolean blanksAround, long line) {
        Value value = reading.read(text).orElse(null);
        if (value == null) {
            misfits.add(text, line);
            return null;
        }
        if (reading.alters(text, value)) {
            altered.add(text, line);
        }
        if (blanksAround) {
            trimmed++;
        }
        note(value);
        if (reading == Reading.PHONE) {
            notePhone(text.strip());
        }
        return value;
    }

    /** With a plus and the digits of a country and a number it is one; without, only beside such. */
    private void notePhone(String text) {
        long digits = text.chars().filter(Character::isDigit).count();
        if (text.startsWith("+") && digits >= FEWEST_DIGITS) {
            international++;
        } else if (!text.startsWith("0") || digits < FEWEST_DIGITS) {
            national++;
        }
    }

    private void note(Value value) {
        switch (value) {
            case Value.Text text -> { }
            case Value.YesNo yesNo -> {
                sawYes |= yesNo.yes();
                sawNo |= !yesNo.yes();
            }
            case Value.Decimal decimal -> {
                digits = Math.max(digits, decimal.number().scale());
                noteEnds(value);
            }
            case Value.Whole whole -> noteEnds(value);
            case Value.Date date -> noteEnds(value);
            case Value.Moment moment -> noteEnds(value);
            case Value.Time time -> noteEnds(value);
            case Value.Referred referred -> { }
            case Value.Attachment file -> { }
            case Value.Several several -> { }
        }
    }

    private void noteEnds(Value value) {
        if (least == null || value.compareWith(least) < 0) {
            least = value;
        }
        if (greatest == null || value.compareWith(greatest) > 0) {
            greatest = value;
        }
    }

    Reading reading() {
        return reading;
    }

    long misfits() {
        return misfits.count;
    }

    boolean alters() {
        return altered.count > 0;
    }

    /** Numbers that begin with a plus, or with the nought of a trunk beside such, are phone numbers. Yes alone, or no alone, may as well be a code: that of Norway is NO. */
    boolean isEvidence() {
        return switch (reading) {
            case PHONE -> international > 0 && national == 0 && misfits.count == 0;
            case YES_NO -> sawYes && sawNo && misfits.count == 0;
            default -> true;
        };
    }

    Fit fit(long blanks) {
        return new Fit(misfits.found(), altered.found(), trimmed + blanks, digits, least, greatest);
    }
}
