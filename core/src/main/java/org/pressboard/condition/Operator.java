package org.pressboard.condition;

/** How a field is compared with an operand. Comparing with an absent value answers unknown. */
public enum Operator {
    /** The same value; texts letter for letter. */
    EQUALS,
    DIFFERS,
    LESS,
    AT_MOST,
    GREATER,
    AT_LEAST,
    /** The text has the other somewhere in it, upper and lower case alike. */
    CONTAINS,
    /** The text begins with the other, upper and lower case alike. */
    BEGINS;

    /** Whether it compares letters, and so takes texts only. */
    public boolean isForText() {
        return this == CONTAINS || this == BEGINS;
    }
}
