package org.pressboard.intake;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/** A way to read the texts of a column: a type of field together with how the file writes it. */
public enum Reading {
    YES_NO(Texts::yesNo),
    WHOLE(Numbers::whole, Numbers::isRewritten),
    /** 1,234.5 */
    DECIMAL_POINT(text -> Numbers.decimal(text, '.', ','), Numbers::isRewritten),
    /** 1.234,5 */
    DECIMAL_COMMA(text -> Numbers.decimal(text, ',', '.'), Numbers::isRewritten),
    /** 2024-03-09 (ISO 8601) */
    DATE_YEAR_FIRST(text -> Dates.date(text, DateOrder.YEAR_FIRST)),
    /** 9.3.2024 */
    DATE_DAY_FIRST(text -> Dates.date(text, DateOrder.DAY_FIRST)),
    /** 3/9/2024 */
    DATE_MONTH_FIRST(text -> Dates.date(text, DateOrder.MONTH_FIRST)),
    /** 9 Mar 2024, March 9, 2024 */
    DATE_MONTH_NAMED(text -> Dates.date(text, DateOrder.MONTH_NAMED)),
    MOMENT_YEAR_FIRST(text -> Dates.moment(text, DateOrder.YEAR_FIRST), Dates::losesSome),
    MOMENT_DAY_FIRST(text -> Dates.moment(text, DateOrder.DAY_FIRST), Dates::losesSome),
    MOMENT_MONTH_FIRST(text -> Dates.moment(text, DateOrder.MONTH_FIRST), Dates::losesSome),
    MOMENT_MONTH_NAMED(text -> Dates.moment(text, DateOrder.MONTH_NAMED), Dates::losesSome),
    /** 14:30, 2:30 pm */
    TIME(Dates::time, Dates::losesSome),
    /** 12.5 % */
    PERCENT_POINT(text -> Amounts.percent(text, '.', ',')),
    /** 12,5 % */
    PERCENT_COMMA(text -> Amounts.percent(text, ',', '.')),
    /** £1,234.50, EUR 3.00; of one currency */
    MONEY_POINT(text -> Amounts.money(text, '.', ',')),
    /** 1.234,50 € */
    MONEY_COMMA(text -> Amounts.money(text, ',', '.')),
    EMAIL(Texts::email),
    LINK(Texts::link),
    /** Worked out only of numbers that begin with a plus, for sizes, codes and dates may look like others. */
    PHONE(Texts::phone),
    CHOICE(Texts::any),
    /** Several with semicolons, bars, commas or lines between them. */
    CHOICES(Texts::several),
    TEXT(Texts::any),
    LONG_TEXT(Texts::any),
    FORMATTED_TEXT(Texts::any),
    /** HTML, made into formatted text by whoever knows of HTML: what it says stays, its tags go. */
    FORMATTED_HTML(Texts::any),
    /** So many marks, of a whole number. */
    RATING(Numbers::whole),
    /** 1,234.50 of a currency that is said. */
    AMOUNT_POINT(text -> Numbers.decimal(text, '.', ','), Numbers::isRewritten),
    AMOUNT_COMMA(text -> Numbers.decimal(text, ',', '.'), Numbers::isRewritten),
    /** 12.5, of a hundred. */
    SHARE_POINT(text -> Numbers.decimal(text, '.', ','), Numbers::isRewritten),
    SHARE_COMMA(text -> Numbers.decimal(text, ',', '.'), Numbers::isRewritten),
    /** What a row of another table is called. */
    REFERENCE(Texts::any),
    /** What several rows are called, one behind the other as the texts of {@link #CHOICES}. */
    REFERENCES(Texts::any),
    /** The name of a picture that is brought beside the file. */
    PICTURE(Texts::file),
    /** Names of pictures, one behind the other as the texts of {@link #CHOICES}. */
    PICTURES(Texts::files),
    /** The name of a file that is brought beside this one. */
    FILE(Texts::file);

    /** Readings whose values the shape of the text gives away, in the order in which they are preferred. */
    static final Set<Reading> SHAPED = Collections.unmodifiableSet(EnumSet.range(YES_NO, PHONE));

    private final Function<String, @Nullable Value> reader;
    private final BiPredicate<String, Value> rewriting;

    Reading(Function<String, @Nullable Value> reader) {
        this(reader, (text, value) -> false);
    }

    Reading(Function<String, @Nullable Value> reader, BiPredicate<String, Value> rewriting) {
        this.reader = reader;
        this.rewriting = rewriting;
    }

    /**
     * The value that the text stands for, or empty when it does not fit. Blanks around what has a shape are let be;
     * nothing but blanks is a text like any other, and of a shape none.
     */
    public Optional<Value> read(String text) {
        String bare = isShaped() ? text.strip() : text;
        return bare.isEmpty() ? Optional.empty() : Optional.ofNullable(reader.apply(bare));
    }

    /**
     * Whether the value, written back, would not be the text but for grouping, decimal mark, trailing zeros and how
     * dates and answers are written.
     */
    boolean alters(String text, Value value) {
        return rewriting.test(text.strip(), value);
    }

    /** The text as it would be written back, in plain form; empty when it does not fit. */
    public String rewritten(String text) {
        return read(text).map(PlainForm::write).orElse("");
    }

    /** Whether the shape of a text tells that it is such a value, or one that numbers are taken for. */
    public boolean isShaped() {
        return SHAPED.contains(this) || basis().isPresent();
    }

    /** The numbers that are said to be more than numbers. */
    Optional<Reading> basis() {
        return Optional.ofNullable(switch (this) {
            case RATING -> WHOLE;
            case AMOUNT_POINT, SHARE_POINT -> DECIMAL_POINT;
            case AMOUNT_COMMA, SHARE_COMMA -> DECIMAL_COMMA;
            default -> null;
        });
    }

    /** Whether what the text names is kept elsewhere: rows of another table, or other files. */
    public boolean isBeside() {
        return isOfRows() || isOfFiles();
    }

    /** Whether what its texts come to is worked out elsewhere. */
    boolean isWorkedOutElsewhere() {
        return isBeside() || this == FORMATTED_HTML;
    }

    /** Whether it names rows of another table. */
    public boolean isOfRows() {
        return this == REFERENCE || this == REFERENCES;
    }

    /** Whether somebody must say of which currency it is. */
    public boolean isAmount() {
        return this == AMOUNT_POINT || this == AMOUNT_COMMA;
    }

    /** Whether it names files that are brought beside this one. */
    public boolean isOfFiles() {
        return this == PICTURE || this == PICTURES || this == FILE;
    }

    public boolean isMoney() {
        return this == MONEY_POINT || this == MONEY_COMMA;
    }

    /** Whether numbers have a decimal mark that may be read in two ways. */
    boolean hasMark() {
        return this == DECIMAL_POINT || this == PERCENT_POINT || this == MONEY_POINT;
    }

    boolean isNumber() {
        return this == WHOLE || this == DECIMAL_POINT || this == DECIMAL_COMMA;
    }

    /** The same value in the other usual way of writing, where a column may leave it open which is meant. */
    Optional<Reading> rival() {
        return Optional.ofNullable(switch (this) {
            case DECIMAL_POINT -> DECIMAL_COMMA;
            case PERCENT_POINT -> PERCENT_COMMA;
            case MONEY_POINT -> MONEY_COMMA;
            case DATE_DAY_FIRST -> DATE_MONTH_FIRST;
            case MOMENT_DAY_FIRST -> MOMENT_MONTH_FIRST;
            default -> null;
        });
    }
}
