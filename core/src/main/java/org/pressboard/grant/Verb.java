package org.pressboard.grant;

import java.util.Locale;

/** What a grant lets people do with rows. */
public enum Verb {
    SEE, ADD, CHANGE, REMOVE;

    /** As it stands in messages. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
