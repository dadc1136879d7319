package org.pressboard.edition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.Value;

/** A page is an ordered list of parts, whatever is added to them, changed and taken off. */
class PagePartsTest {

    private static final TableKey TREES = new TableKey("trees");

    private static Listing listing(int number) {
        return Listing.plain(new ListingKey("list-" + number), TREES, List.of());
    }

    private static Form form(int number) {
        return Form.plain(new FormKey("form-" + number), TREES, "Form " + number);
    }

    private static List<String> anchors(Page page) {
        return page.parts().stream().map(Part::anchor).toList();
    }

    private static Page page() {
        return new Page(new PageKey("all"), "All", List.of(listing(1), listing(2))).holding(List.of(form(1)))
                .telling("Opening hours", "From *nine*.").ruled("");
    }

    @Test
    void wordsAndRulesStandBehindAllElseUntilTheyAreMoved() {
        Page page = page();
        assertThat(anchors(page)).containsExactly("sheet-list-1", "sheet-list-2", "form-form-1", "part-opening-hours", "part-part");
        Page moved = page.ordered(List.of("part-opening-hours", "sheet-list-2"));
        assertThat(anchors(moved)).containsExactly("part-opening-hours", "sheet-list-2", "sheet-list-1", "form-form-1", "part-part");
        // another of the same words has a place of its own
        assertThat(anchors(moved.telling("Opening hours", ""))).endsWith("part-opening-hours-2");
        assertThat(anchors(moved.without("part-part"))).doesNotContain("part-part");
    }

    @Test
    void listingsAndFormsKeepTheirPlacesAmongTheOthers() {
        Page page = page().ordered(List.of("part-opening-hours", "sheet-list-1", "part-part", "form-form-1", "sheet-list-2"))
                .changing("sheet-list-2", part -> part.framed(part.frame().of(Frame.Width.HALF)));
        assertThat(anchors(page.with(List.of(listing(2), listing(1), listing(3)))))
                .containsExactly("part-opening-hours", "sheet-list-2", "part-part", "form-form-1", "sheet-list-1", "sheet-list-3");
        assertThat(page.with(List.of(listing(2))).part("sheet-list-2").orElseThrow().frame().width()).isEqualTo(Frame.Width.HALF);
        assertThat(anchors(page.with(List.of()))).containsExactly("part-opening-hours", "part-part", "form-form-1");
        assertThat(anchors(page.holding(List.of()).with(List.of()).holding(List.of(form(2))).with(List.of(listing(4)))))
                .containsExactly("sheet-list-4", "part-opening-hours", "part-part", "form-form-2");
    }

    @Test
    void wordsStayWhateverBecomesOfTables() {
        Page page = page();
        assertThat(anchors(page.among(Tables.of(List.of())))).containsExactly("part-opening-hours", "part-part");
        assertThat(anchors(page.without(TREES))).containsExactly("part-opening-hours", "part-part");
        Page forMembers = page.changing("part-opening-hours", part -> part.forThose(List.of(Audience.MEMBERS)));
        assertThat(forMembers.of(Visitor.ANYONE).part("part-opening-hours")).isEmpty();
    }

    /** Whatever order is asked for, no part is lost and none is there twice. */
    @Test
    void noPartIsLostByMoving() {
        Random random = new Random(26);
        Page page = page();
        for (int round = 0; round < 500; round++) {
            List<String> order = new ArrayList<>(Stream.concat(anchors(page).stream(), Stream.of("gone")).toList());
            Collections.shuffle(order, random);
            Page moved = page.ordered(order.subList(random.nextInt(order.size()), order.size()));
            List<Listing> listings = new ArrayList<>(IntStream.range(0, random.nextInt(5)).mapToObj(PagePartsTest::listing).toList());
            Collections.shuffle(listings, random);
            Page changed = moved.with(listings);
            assertThat(anchors(moved)).containsExactlyInAnyOrderElementsOf(anchors(page));
            assertThat(changed.listings()).containsExactlyElementsOf(listings);
            assertThat(changed.parts()).filteredOn(part -> !(part instanceof Part.OfListing)).containsExactlyElementsOf(
                    moved.parts().stream().filter(part -> !(part instanceof Part.OfListing)).toList());
            page = changed;
        }
    }

    @Test
    void whatChangedIsTold() {
        Page before = page();
        Page after = before.ordered(List.of("part-opening-hours"))
                .changing("part-opening-hours", part -> ((Part.OfText) part).saying("Hours", "From ten.")
                        .framed(new Frame(Frame.Width.THIRD, List.of())))
                .without("part-part").ruled("Old trees");
        assertThat(Differences.between(before, after, Tables.of(List.of()))).extracting(Difference::code)
                .containsExactly("text", "rule-added", "rule-removed", "order", "width");
        assertThat(Differences.between(after, before, Tables.of(List.of()))).extracting(Difference::code)
                .containsExactly("text", "rule-added", "rule-removed", "order", "width");
        assertThat(Differences.between(before, before.without("part-opening-hours"), Tables.of(List.of()))).singleElement()
                .isEqualTo(Difference.of(Difference.TicketLine.PAGE, "text-removed", "Opening hours"));
    }

    @Test
    void aPictureIsToldByWhatIsSaidUnderIt() {
        Value.Attachment file = new Value.Attachment("ab".repeat(32), "gate.png");
        Page before = page();
        Page after = before.picturing(file, "A gate, open", "The old gate");
        assertThat(anchors(after)).endsWith("part-the-old-gate");
        assertThat(after.hasPicture(file.content())).isTrue();
        assertThat(before.hasPicture(file.content())).isFalse();
        Tables none = Tables.of(List.of());
        assertThat(Differences.between(before, after, none)).containsExactly(
                Difference.of(Difference.TicketLine.PAGE, "picture-added", "The old gate"));
        assertThat(Differences.between(after, before, none)).containsExactly(
                Difference.of(Difference.TicketLine.PAGE, "picture-removed", "The old gate"));
        Page said = after.changing("part-the-old-gate", part -> ((Part.OfPicture) part).saying("", ""));
        assertThat(Differences.between(after, said, none)).containsExactly(
                Difference.of(Difference.TicketLine.PAGE, "picture", "gate.png"));
    }

    /** What has gone leaves its key to another, of whatever kind. */
    @Test
    void whateverBecomesOfAPageIsTold() {
        Random random = new Random(2_026);
        Value.Attachment file = new Value.Attachment("cd".repeat(32), "by.png");
        Page page = page();
        for (int round = 0; round < 1_000; round++) {
            List<String> there = anchors(page);
            String one = there.isEmpty() ? "" : there.get(random.nextInt(there.size()));
            Page after = switch (random.nextInt(7)) {
                case 0 -> page.telling("by", "b" + round);
                case 1 -> page.ruled("by");
                case 2 -> page.picturing(file, "by", "");
                case 3 -> page.without(one);
                case 4 -> page.changing(one, part -> part.framed(part.frame().of(Frame.Width.values()[random.nextInt(4)])));
                case 5 -> page.with(List.of(listing(random.nextInt(3))));
                default -> page.without(one).ruled("by");
            };
            boolean isTold = !Differences.between(page, after, Tables.of(List.of())).isEmpty();
            assertThat(isTold).as("%s, %s", page.parts(), after.parts()).isEqualTo(!after.equals(page));
            assertThat(anchors(after)).doesNotHaveDuplicates();
            page = after.parts().size() > 12 ? page() : after;
        }
    }

    @Test
    void aKeyIsPlain() {
        assertThatThrownBy(() -> new PartKey("no key")).isInstanceOf(IllegalArgumentException.class);
        assertThat(PartKey.from("Öffnungszeiten: 9–12!", java.util.Set.of("oeffnungszeiten-9-12"))).hasToString("oeffnungszeiten-9-12-2");
        assertThat(PartKey.from("", java.util.Set.of())).hasToString("part");
    }
}
