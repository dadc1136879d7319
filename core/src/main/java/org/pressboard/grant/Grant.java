package org.pressboard.grant;

import org.pressboard.condition.Condition;

/** Lets an audience do something with those rows of a table that meet the condition. */
public record Grant(Audience audience, Verb verb, Condition rows) {

    /** Lets everybody see every row. */
    public static Grant everyoneSeesAll() {
        return new Grant(Audience.EVERYONE, Verb.SEE, Condition.ALWAYS);
    }
}
