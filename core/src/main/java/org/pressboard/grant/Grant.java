package org.pressboard.grant;

import org.pressboard.condition.Condition;
import org.pressboard.table.Table;

/**
 * Lets an audience do something with some rows of a table: their own, or those that meet a condition.
 *
 * @param own  only those that are the visitor's own
 * @param rows which of all; of own rows, all
 */
public record Grant(Audience audience, Verb verb, boolean own, Condition rows) {

    /** For those rows that meet the condition. */
    public Grant(Audience audience, Verb verb, Condition rows) {
        this(audience, verb, false, rows);
    }

    public static Grant ofOwn(Audience audience, Verb verb) {
        return new Grant(audience, verb, true, Condition.ALWAYS);
    }

    /** Lets everybody see every row. */
    public static Grant everyoneSeesAll() {
        return new Grant(Audience.EVERYONE, Verb.SEE, Condition.ALWAYS);
    }

    /** The same for a table that may have lost fields that it asks about: it is for no row then. */
    Grant of(Table table) {
        boolean isWhole = rows.fields().stream().allMatch(table.fields()::has);
        return isWhole ? this : new Grant(audience, verb, own, Condition.NEVER);
    }
}
