package org.pressboard.condition;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/** How a field is compared with an operand. With an absent value on either side it does not hold, but for {@link #DIFFERS}. */
public enum Operator {
    /** The same value; texts letter for letter. Of a field with several values, that it has this one. */
    EQUALS,
    /** Not {@link #EQUALS}. */
    DIFFERS,
    LESS,
    AT_MOST,
    GREATER,
    AT_LEAST,
    /** The text has the other somewhere in it, blind to case and accents. Of several texts, one of them has. */
    CONTAINS,
    /** The text begins with the other, blind to case and accents. Of several texts, one of them does. */
    BEGINS;

    /** Whether something is a certain value. */
    public static final Set<Operator> OF_LIKENESS = set(EQUALS, DIFFERS);

    /** What makes sense where values have an order besides. */
    public static final Set<Operator> OF_ORDER = set(EQUALS, DIFFERS, LESS, AT_MOST, GREATER, AT_LEAST);

    /** What makes sense for texts. */
    public static final Set<Operator> OF_TEXTS = set(values());

    /** What makes sense where there may be several texts. */
    public static final Set<Operator> OF_SEVERAL_TEXTS = set(EQUALS, DIFFERS, CONTAINS, BEGINS);

    private static Set<Operator> set(Operator... operators) {
        return Collections.unmodifiableSet(EnumSet.copyOf(java.util.List.of(operators)));
    }

    /** Whether it compares letters, and so takes texts only. */
    public boolean isForText() {
        return this == CONTAINS || this == BEGINS;
    }
}
