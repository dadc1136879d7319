package org.pressboard.condition;

import java.util.EnumSet;
import java.util.Set;

/**
 * The ways in which people compare a field, as a ticket offers them. Each stands for a condition (see {@link Clause}); what
 * says that something is not so is the opposite of what says that it is, so it also takes rows without a value.
 */
public enum Comparison {
    IS(1), IS_NOT(1), CONTAINS(1), CONTAINS_NOT(1), BEGINS(1), ONE_OF(1), NONE_OF(1),
    MORE(1), AT_LEAST(1), LESS(1), AT_MOST(1),
    /** Both ends in it. */
    BETWEEN(2),
    TODAY(0), THIS_WEEK(0), THIS_MONTH(0), THIS_YEAR(0),
    /** Before today; today or after. */
    PAST(0), UPCOMING(0),
    /** Today and so many days before or after. */
    LAST_DAYS(1), NEXT_DAYS(1),
    EMPTY(0), FILLED(0);

    /** Those of days. */
    public static final Set<Comparison> OF_DAYS = EnumSet.of(TODAY, THIS_WEEK, THIS_MONTH, THIS_YEAR, PAST, UPCOMING,
            LAST_DAYS, NEXT_DAYS);

    private final int operands;

    Comparison(int operands) {
        this.operands = operands;
    }

    /** With how many things it compares; some may be several values. */
    public int operands() {
        return operands;
    }

    /** Whether it takes a number of days in place of a value of the field. */
    public boolean isOfCount() {
        return this == LAST_DAYS || this == NEXT_DAYS;
    }

    /** Whether what it compares with may be anything that an {@link Operand} stands for; else it is fixed. */
    public boolean isOfOperands() {
        return operands > 0 && !isOfCount() && !isOfSeveral();
    }

    /** Whether it takes several values. */
    public boolean isOfSeveral() {
        return this == ONE_OF || this == NONE_OF;
    }
}
