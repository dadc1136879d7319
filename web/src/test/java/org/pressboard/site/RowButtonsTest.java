package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Stamp;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Deed;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** What a button sets may be of the row itself, of what it refers to, of the page, of the visitor and of the day. */
class RowButtonsTest extends WithTables {

    private static final TableKey SHEDS = new TableKey("sheds");
    private static final TableKey LAMPS = new TableKey("lamps");
    private static final PageKey PAGE = new PageKey("lamps");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey SHED = new FieldKey("shed");
    private static final FieldKey SAID = new FieldKey("said");
    private static final FieldKey WHO = new FieldKey("who");
    private static final FieldKey LEFT = new FieldKey("left");
    private static final FieldKey BEGAN = new FieldKey("began");
    private static final FieldKey DAY = new FieldKey("day");

    private RowId lamp;

    @BeforeEach
    void makeTables() {
        changes.make("Sheds", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER);
        RowId shed = editing.add(SHEDS, Map.of(NAME, Value.of("North shed")), OWNER).row();
        changes.make("Lamps", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(SHED, "Shed", new Referring.Reference(SHEDS, Referring.OnRemoval.CLEAR)),
                new Field(SAID, "Said", new Textual.Text()), new Field(WHO, "Who", new Textual.Text()),
                new Field(BEGAN, "Began with", new Numeric.Decimal(1)), new Field(LEFT, "Left", new Numeric.Decimal(1)),
                new Field(DAY, "Day", new Temporal.Date()))), OWNER);
        lamp = editing.add(LAMPS, Map.of(NAME, Value.of("Storm lamp"), SHED, new Value.Referred(shed, ""),
                BEGAN, Value.of(new BigDecimal("7.5"))), OWNER).row();
        publisher.grant(SHEDS, new Grants(List.of(Grant.everyoneSeesAll())));
        publisher.grant(LAMPS, new Grants(List.of(Grant.everyoneSeesAll(),
                new Grant(Audience.MEMBERS, Verb.CHANGE, Condition.ALWAYS))));
    }

    @AfterEach
    void removeTables() {
        closePages();
        publisher.remove(LAMPS, SHEDS);
    }

    private void publish(Deed... deeds) {
        Listing listing = Listing.plain(new ListingKey("lamps"), LAMPS, List.of(NAME, SHED, SAID, WHO, BEGAN, LEFT, DAY))
                .with(Changing.NOTHING.doing(List.of(deeds)));
        publish(PAGE, "Lamps to lend", listing, SHEDS, LAMPS);
    }

    private static Deed deed(String label, FieldKey field, Operand value) {
        return new Deed(label, Condition.ALWAYS, List.of(new Stamp(field, value)));
    }

    private Value after(Page page, Deed deed, FieldKey field) {
        publish(deed);
        page.navigate(address("/lamps"));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(deed.label()).setExact(true)).click();
        assertThat(page.locator(".note-good").first()).containsText("Changed.");
        Row row = editing.find(LAMPS, lamp).orElseThrow();
        return row.find(field).orElseThrow();
    }

    @Test
    void whatIsSetIsTakenOfWhateverItIsSaidToBeOf() {
        Page page = signedIn("mira@example.org");
        assertThat(after(page, deed("Its page", SAID, new Operand.OfPage(Operand.PagePart.TITLE)), SAID)).isEqualTo(Value.of("Lamps to lend"));
        assertThat(after(page, deed("Its address", SAID, new Operand.OfPage(Operand.PagePart.ADDRESS)), SAID)).isEqualTo(Value.of("lamps"));
        assertThat(after(page, deed("Mine", WHO, Operand.OfVisitor.EMAIL), WHO)).isEqualTo(Value.of("mira@example.org"));
        assertThat(after(page, deed("Fill", LEFT, new Operand.OfOpen(BEGAN)), LEFT)).isEqualTo(Value.of(new BigDecimal("7.5")));
        assertThat(after(page, deed("Where", SAID, new Operand.OfOpen(SHED.through(NAME))), SAID)).isEqualTo(Value.of("North shed"));
        assertThat(after(page, deed("Next week", DAY, new Operand.Today(7)), DAY)).isEqualTo(Value.of(LocalDate.now().plusDays(7)));
    }

    /** The page was drawn, and then another edition came in which the same place has another button. */
    @Test
    void aClickDoesWhatWasSeenOrNothing() {
        publish(deed("Note it", SAID, new Operand.Fixed(Value.of("noted"))));
        Page page = signedIn("mira@example.org");
        page.navigate(address("/lamps"));
        publish(deed("Throw it away", SAID, new Operand.Fixed(Value.of("thrown away"))));
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Note it")).click();
        assertThat(page.locator("main")).containsText("This button is no longer offered here. Nothing was changed.");
        forgiveConsole("404");
        page.navigate(address("/lamps"));
        // without scripts it is asked about first
        page.navigate(address(String.valueOf(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Throw it away"))
                .getAttribute("href"))));
        publish(deed("Throw it away", SAID, new Operand.Fixed(Value.of("burnt"))));
        button(page, "Throw it away").click();
        assertThat(page.locator("main")).containsText("This button is no longer offered here. Nothing was changed.");
        assertThat(editing.find(LAMPS, lamp).orElseThrow().find(SAID)).isEmpty();
        forgiveConsole("404");
    }
}
