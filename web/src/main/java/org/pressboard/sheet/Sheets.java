package org.pressboard.sheet;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Locale;
import org.pressboard.listing.Asked;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.StateAddress;
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

    /** What the address asks of the listing. */
    public Asked asked(Asking asking) {
        return new StateAddress(asking.listing(), asking.table()).read(asking.parameters());
    }

    /** The row query that the address means. */
    public RowQuery query(Asking asking) {
        return RowQuery.of(asking.listing(), asking.table(), asking.visitor(), asking.decision(),
                asked(asking).state(), LocalDate.now(clock));
    }

    public Sheet sheet(Asking asking, Place place, Locale language) {
        Asked asked = asked(asking);
        RowPage page = rows.page(query(asking), language);
        return new SheetBuilder(asking, asked, place, new Words(messages, language)).build(page);
    }

    /** The state that the address means, as an address's query in its shortest form. */
    public String stateQuery(Asking asking) {
        return new StateAddress(asking.listing(), asking.table()).write(asked(asking).state());
    }

    /** How many rows the address matches, counted to the end, in words. */
    public String countToEnd(Asking asking, Locale language) {
        return new Words(messages, language).count(rows.countToEnd(query(asking)));
    }

    /** A number that changes whenever the rows do that the sheet is drawn from. */
    public long revision(Asking asking) {
        return rows.revision(query(asking));
    }
}
