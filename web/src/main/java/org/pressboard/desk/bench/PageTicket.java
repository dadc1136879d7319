package org.pressboard.desk.bench;

import java.util.Arrays;
import java.util.List;
import org.pressboard.edition.Frame;
import org.pressboard.edition.Page;

/**
 * What a page is made of, as its ticket says it.
 *
 * @param mark another whenever the draft is
 */
record PageTicket(Page draft, List<Line> lines, String mark, List<Ticket.StepLine> steps) implements Steps {

    /** The kinds of parts there are. */
    enum Kind { LISTING, FORM, TEXT, PICTURE, RULE }

    /**
     * A part.
     *
     * @param called  what it is called, or how it begins
     * @param ticket  the address of its own ticket; empty: it has none
     * @param heading what stands over it, or the words for those who do not see it, where that is said here
     * @param text    what it says, or what is said under it, where that is said here
     * @param width   how much of the page's width it takes
     * @param forWhom those whom it is for, in words
     * @param chosen  the same, as they are sent
     */
    public record Line(String anchor, Kind kind, String called, String ticket, String heading, String text, Frame.Width width,
                       String forWhom, List<String> chosen) {
    }

    public String page() {
        return draft.key().name();
    }

    public String address() {
        return "/desk/parts/" + draft.key();
    }

    public List<Frame.Width> widths() {
        return Arrays.asList(Frame.Width.values());
    }
}
