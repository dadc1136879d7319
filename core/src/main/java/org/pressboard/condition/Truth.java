package org.pressboard.condition;

/** The three truth values of SQL and their tables (ISO/IEC 9075-2, boolean value expression). */
public enum Truth {
    FALSE, UNKNOWN, TRUE;

    static Truth of(boolean value) {
        return value ? TRUE : FALSE;
    }

    public Truth and(Truth other) {
        return values()[Math.min(ordinal(), other.ordinal())];
    }

    public Truth or(Truth other) {
        return values()[Math.max(ordinal(), other.ordinal())];
    }

    public Truth not() {
        return values()[2 - ordinal()];
    }
}
