package org.pressboard.sheet;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Locale;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.Rows;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** Draws up sheets. */
@Component
public class Sheets {

    private final Rows rows;
    private final MessageSource messages;
    private final Clock clock;

    Sheets(Rows rows, MessageSource messages, Clock clock) {
        this.rows = rows;
        this.messages = messages;
        this.clock = clock;
    }

    /** The row query that the address means. */
    public RowQuery query(Asking asking) {
        return RowQuery.of(asking.listing(), asking.table(), asking.visitor(), asking.decision(),
                asking.asked().state(), LocalDate.now(clock));
    }

    public Sheet sheet(Asking asking, Place place, Locale language) {
        RowPage page = rows.page(query(asking), language);
        return new SheetBuilder(asking, place, new Words(messages, language)).build(page);
    }

    /** How many rows the address matches, in words, as far as that is soon known. */
    public String count(Asking asking, Locale language) {
        return new Words(messages, language).count(rows.count(query(asking), language));
    }

    /** How many rows the address matches, counted to the end, in words. */
    public String countToEnd(Asking asking, Locale language) {
        return new Words(messages, language).count(rows.countToEnd(query(asking), language));
    }

    /** A number that changes whenever the rows do that the sheet is drawn from. */
    public long revision(Asking asking) {
        return rows.revision(query(asking));
    }
}
