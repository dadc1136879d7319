package org.pressboard.history;

import org.jspecify.annotations.Nullable;

/**
 * On whose behalf, and from where, something is done.
 *
 * @param account the account of whoever does it; {@code null}: nobody's
 * @param who     what they are called
 */
public record Author(@Nullable Long account, String who, Origin origin) {

    /** From where rows and tables are changed. */
    public enum Origin { DESK, PAGE, FILE, DEMO, DATABASE }

    public Author from(Origin other) {
        return new Author(account, who, other);
    }
}
