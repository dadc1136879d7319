package org.pressboard.edition;

import java.util.List;
import org.pressboard.condition.Condition;
import org.pressboard.table.TableKey;

/**
 * One thing in which a page differs from another.
 *
 * @param line    the line of a ticket that it is on, or the page itself
 * @param code    what it is, as a code whose words stand in the message bundles
 * @param details what the words name: labels, numbers, codes, and which rows are kept
 */
public record Difference(TicketLine line, String code, List<Object> details) {

    /** The lines of a ticket, and what stands around them. */
    public enum TicketLine { PAGE, TAKE, KEEP, SHOW, LET, ORDER, OPEN, CHANGE, DRESS, FORM }

    /** Which rows of a table are kept. */
    public record Kept(TableKey table, Condition rows) {
    }

    public Difference {
        details = List.copyOf(details);
    }

    static Difference of(TicketLine line, String code, Object... details) {
        return new Difference(line, code, List.of(details));
    }
}
