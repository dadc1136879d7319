package org.pressboard.edition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Difference.TicketLine;
import org.pressboard.listing.Dress;
import org.pressboard.listing.Layout.LayoutKind;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Mark;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Narrowing;
import org.pressboard.listing.Show;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.Suggestion;
import org.pressboard.listing.TakeAway;
import org.pressboard.table.Tables;
import org.pressboard.value.Format;
import org.pressboard.value.Value;

class DifferencesTest {

    private static final Listing APPLES = Suggestion.forTable(Cases.TABLE, new ListingKey("apples"), field -> true);
    private static final Page PAGE = new Page(new PageKey("apples"), "Apples", List.of(APPLES));

    private static List<Difference> of(Listing changed) {
        return between(PAGE.with(List.of(changed)));
    }

    private static List<Difference> between(Page after) {
        return Differences.between(PAGE, after, Tables.alone(Cases.TABLE));
    }

    @Test
    void thatNothingChangedIsNoDifference() {
        assertThat(of(APPLES)).isEmpty();
    }

    @Test
    void whatIsShownIsToldByItsLabels() {
        Show show = APPLES.show().without(Cases.KEEPER).adding(Cases.NOTES).in(LayoutKind.CARDS)
                .changing(Cases.USE, shown -> shown.labelled("Good for"))
                .changing(Cases.SUGAR, shown -> shown.with(Format.USUAL.withDigits(2)));
        assertThat(of(APPLES.with(show).with(APPLES.find()))).containsExactly(
                Difference.of(TicketLine.SHOW, "layout", LayoutKind.CARDS), Difference.of(TicketLine.SHOW, "added", "Notes"),
                Difference.of(TicketLine.SHOW, "hid", "Keeper"), Difference.of(TicketLine.SHOW, "label", "Use", "Good for"),
                Difference.of(TicketLine.SHOW, "look", "Sugar"), Difference.of(TicketLine.LET, "search", "Name, Good for"));
        assertThat(of(APPLES.with(APPLES.show().ordered(List.of(Cases.USE))))).containsExactly(
                Difference.of(TicketLine.SHOW, "order", "Use, Name, Keeper, Weeks, Sugar, Rare, Planted, Seen"));
    }

    @Test
    void everyLineIsCompared() {
        Condition rare = Condition.isEmpty(Cases.RARE);
        Listing other = APPLES.keeping(rare).with(APPLES.find().narrowing(List.of()).sorting(false).hinting("Which?"))
                .with(APPLES.ordering().ordered(List.of(SortBy.down(Cases.WEEKS))).paged(50).limitedTo(3))
                .with(APPLES.dress().with(Dress.Stripes.MOSS).titled("Kept well")).takenAwayAs(Set.of(TakeAway.CSV));
        assertThat(of(other)).containsExactly(
                Difference.of(TicketLine.KEEP, "rows", new Difference.Kept(Cases.TABLE.key(), rare)),
                Difference.of(TicketLine.LET, "hint", "Which?"), Difference.of(TicketLine.LET, "no-narrowing", ""),
                Difference.of(TicketLine.LET, "unsorted"), Difference.of(TicketLine.LET, "take-away", "CSV"),
                Difference.of(TicketLine.ORDER, "by", "Weeks"), Difference.of(TicketLine.ORDER, "page-size", 50),
                Difference.of(TicketLine.ORDER, "limit", 3), Difference.of(TicketLine.DRESS, "stripes", Dress.Stripes.MOSS),
                Difference.of(TicketLine.DRESS, "title", "Kept well"));
    }

    @Test
    void controlsFormsAndMarksAreTold() {
        Narrowing cider = Narrowing.toValues(List.of(Value.of("Cider")));
        Listing other = APPLES.with(APPLES.find().changing(Cases.USE, control -> control.by(NarrowBy.ControlKind.TAGS, true, false)
                        .startingWith(cider)).in(Finding.SearchForm.BOXES))
                .with(APPLES.ordering().choosing(true).adding(true)).with(APPLES.dress().marking(List.of(
                        new Mark(Condition.isEmpty(Cases.RARE), Mark.Style.MUTED, Mark.Colour.MOSS))));
        assertThat(of(other)).containsExactly(Difference.of(TicketLine.LET, "control", "Use"),
                Difference.of(TicketLine.LET, "start", "Use"), Difference.of(TicketLine.LET, "form", Finding.SearchForm.BOXES),
                Difference.of(TicketLine.ORDER, "choice"), Difference.of(TicketLine.ORDER, "more"),
                Difference.of(TicketLine.DRESS, "marks", 1));
    }

    @Test
    void listingsThatComeAndGoAreToldAndThePageItself() {
        Listing second = Listing.plain(new ListingKey("second"), Cases.TABLE.key(), List.of(Cases.NAME));
        assertThat(between(PAGE.titled("Pears").leading("All of them").listed(false).with(List.of(second)))).containsExactly(
                Difference.of(TicketLine.PAGE, "title", "Pears"), Difference.of(TicketLine.PAGE, "lead-added", "All of them", ""),
                Difference.of(TicketLine.PAGE, "unlisted"), Difference.of(TicketLine.PAGE, "added", "Apples"),
                Difference.of(TicketLine.PAGE, "removed", "Apples"));
        assertThat(Differences.between(PAGE.with(List.of(APPLES, second)), PAGE.with(List.of(second, APPLES)), Tables.NONE))
                .containsExactly(Difference.of(TicketLine.PAGE, "order"));
    }
}
