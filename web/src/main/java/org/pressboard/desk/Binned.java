package org.pressboard.desk;

import java.time.Instant;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.words.Moments;
import org.pressboard.words.Words;
import org.pressboard.table.Table;

/**
 * Something in the bin, as the desk lists it.
 *
 * @param at   the address under which it can be put back
 * @param said what is told of it besides its name: where it was and since when it is gone
 */
public record Binned(String at, String name, String said) {

    static Binned of(DraftedPage page, Instant since, Words words) {
        return new Binned("/desk/pages/" + page.draft().key(), page.draft().title(),
                "/" + page.draft().key() + ", " + words.say("desk.removed-at", Moments.written(since)));
    }

    static Binned of(Table table, Instant since, Words words) {
        return new Binned("/desk/tables/" + table.key(), table.label(), words.say("desk.removed-at", Moments.written(since)));
    }
}
