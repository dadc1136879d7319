package org.pressboard.intake;

import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.Value;

/** A way to read the texts of a column: a type of field together with how the file writes it. */
public enum Reading {
    YES_NO(Texts::yesNo),
    WHOLE(Numbers::whole),
    /** 1,234.5 */
    DECIMAL_POINT(text -> Numbers.decimal(text, '.', ',')),
    /** 1.234,5 */
    DECIMAL_COMMA(text -> Numbers.decimal(text, ',', '.')),
    /** 2024-03-09 (ISO 8601) */
    DATE_YEAR_FIRST(text -> Dates.date(text, DateOrder.YEAR_FIRST)),
    /** 9.3.2024 */
    DATE_DAY_FIRST(text -> Dates.date(text, DateOrder.DAY_FIRST)),
    /** 3/9/2024 */
    DATE_MONTH_FIRST(text -> Dates.date(text, DateOrder.MONTH_FIRST)),
    /** 9 Mar 2024, March 9, 2024 */
    DATE_MONTH_NAMED(text -> Dates.date(text, DateOrder.MONTH_NAMED)),
    MOMENT_YEAR_FIRST(text -> Dates.moment(text, DateOrder.YEAR_FIRST)),
    MOMENT_DAY_FIRST(text -> Dates.moment(text, DateOrder.DAY_FIRST)),
    MOMENT_MONTH_FIRST(text -> Dates.moment(text, DateOrder.MONTH_FIRST)),
    MOMENT_MONTH_NAMED(text -> Dates.moment(text, DateOrder.MONTH_NAMED)),
    EMAIL(Texts::email),
    LINK(Texts::link),
    CHOICE(Texts::any),
    TEXT(Texts::any),
    LONG_TEXT(Texts::any),
    /** The name of a picture kept with the table; never worked out, only said. */
    PICTURE(Texts::any);

    /** Readings whose values the shape of the text gives away, in the order in which they are preferred. */
    static final Set<Reading> SHAPED = java.util.Collections.unmodifiableSet(java.util.EnumSet.range(YES_NO, LINK));

    private final Function<String, @Nullable Value> reader;

    Reading(Function<String, @Nullable Value> reader) {
        this.reader = reader;
    }

    /** The value that the text stands for, or empty when it does not fit. The text is not blank. */
    public Optional<Value> read(String text) {
        return Optional.ofNullable(reader.apply(SHAPED.contains(this) ? text.strip() : text));
    }

    /** The same value in the other usual way of writing, where a column may leave it open which is meant. */
    Optional<Reading> rival() {
        return Optional.ofNullable(switch (this) {
            case DECIMAL_POINT -> DECIMAL_COMMA;
            case DATE_DAY_FIRST -> DATE_MONTH_FIRST;
            case MOMENT_DAY_FIRST -> MOMENT_MONTH_FIRST;
            default -> null;
        });
    }
}
