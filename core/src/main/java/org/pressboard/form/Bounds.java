package org.pressboard.form;

import java.time.LocalDate;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.problem.Problem;
import org.pressboard.value.FieldKey;

/**
 * When a form can be sent, and how often; {@code null}: without a bound.
 *
 * @param from   the first day
 * @param until  the last day
 * @param places how often it can be sent in all
 * @param each   how often by one person
 * @param alike  counted for one person are only those that answer this question alike, such as for the same day;
 *               {@code null}: all are
 * @param room   a number of the row that a question leads to which must be more than nought, such as the places that are
 *               left of a day
 */
public record Bounds(@Nullable LocalDate from, @Nullable LocalDate until, @Nullable Integer places,
                     @Nullable Integer each, @Nullable FieldKey alike, @Nullable FieldKey room) {

    public static final Bounds NONE = new Bounds(null, null, null, null, null, null);

    public Bounds {
        if (from != null && until != null && until.isBefore(from)) {
            throw new IllegalArgumentException("A form closes after it opens");
        }
    }

    /** So often by one person. */
    public static Bounds each(int times, @Nullable FieldKey alike) {
        return new Bounds(null, null, null, times, alike, null);
    }

    /** The same while that number of a row referred to is more than nought. */
    public Bounds whileRoom(FieldKey number) {
        return new Bounds(from, until, places, each, alike, number);
    }

    /** Why it cannot be sent on that day, after so many were sent, of them so many by the same person. */
    public Optional<Problem> against(LocalDate today, long sent, long byThem) {
        if (from != null && today.isBefore(from)) {
            return Optional.of(Problem.of("form.not-yet", from));
        }
        if (until != null && today.isAfter(until)) {
            return Optional.of(Problem.of("form.over", until));
        }
        return against(byThem).or(() -> places != null && sent >= places ? Optional.of(Problem.of("form.full", places))
                : Optional.empty());
    }

    /** Why one person cannot send it once more, after they have sent it so often. */
    public Optional<Problem> against(long byThem) {
        return each != null && byThem >= each
                ? Optional.of(Problem.of(each == 1 ? "form.once" : "form.often-enough", each)) : Optional.empty();
    }

    /** Whether it matters how often it was sent. */
    public boolean isCounted() {
        return places != null || each != null || room != null;
    }
}
