package org.pressboard.grant;

import java.util.List;
import java.util.Locale;

/** What a grant lets people do with rows. */
public enum Verb {
    SEE, ADD, CHANGE, REMOVE,
    /** Let rows through that wait for it, and change and remove those that were. */
    APPROVE;

    /** What can be done with rows of every table; to approve, only with those of tables that ask for it. */
    public static List<Verb> of(boolean waiting) {
        return waiting ? List.of(values()) : List.of(SEE, ADD, CHANGE, REMOVE);
    }

    /** As it stands in messages. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
