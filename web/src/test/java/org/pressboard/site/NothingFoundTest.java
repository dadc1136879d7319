package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** Where nothing is found, what would find something is offered, among what whoever looks may see. */
class NothingFoundTest extends WithTables {

    private static final TableKey GUESTS = new TableKey("winged_guests");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey SECRET = new FieldKey("secret");
    private static final FieldKey PLACE = new FieldKey("place");
    private static final FieldKey SHOWN = new FieldKey("shown");

    @BeforeEach
    void publishGuests() {
        changes.make("Winged guests", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()), new Field(SECRET, "Nest",
                new Textual.Text()), new Field(PLACE, "Place", Chosen.Choice.of(List.of("Roof", "Barn"))),
                new Field(SHOWN, "Shown", new FieldType.YesNo()))), OWNER);
        add("Kestrel", "chimney", "Roof", true);
        add("kestrel", "gutter", "Roof", true);
        add("Barn owl", "rafters", "Barn", true);
        add("Goshawk", "hidden", "Barn", false);
        Listing listing = Listing.plain(new ListingKey("winged-guests"), GUESTS, List.of(NAME, PLACE, SHOWN))
                .with(Finding.by(List.of(NAME), List.of(PLACE, SHOWN)));
        publish(new PageKey("winged-guests"), "Winged guests", listing, GUESTS);
        publisher.grant(GUESTS, new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE,
                new Condition.Compare(SHOWN, Operator.EQUALS, new Operand.Fixed(Value.of(true)))))));
        assertThat(catalog.publishedNow().openness(GUESTS)).isEqualTo(Openness.AS_GRANTED);
    }

    private void add(String name, String secret, String place, boolean isShown) {
        editing.add(GUESTS, Map.of(NAME, Value.of(name), SECRET, Value.of(secret), PLACE, Value.of(place), SHOWN, Value.of(isShown)), OWNER);
    }

    @AfterEach
    void remove() {
        closePages();
        publisher.remove(GUESTS);
    }

    @Test
    void aWordThatIsNearlySoIsOfferedWithHowManyRowsItHas() {
        Page page = desktop();
        page.navigate(address("/winged-guests?q=kestral"));
        assertThat(page.locator(".instead")).hasText("“Kestrel”: 2");
        page.locator(".instead a").click();
        assertThat(page.locator(".table tbody tr")).hasCount(2);
        assertThat(page).hasURL(address("/winged-guests?q=Kestrel"));
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void whatTheySeeNothingOfIsNotOffered() throws Exception {
        // a row that is not theirs, and a field that the listing does not search
        assertThat(get("/winged-guests?q=Goshawc").body()).doesNotContain("class=\"instead\"").doesNotContain("Goshawk");
        assertThat(get("/winged-guests?q=chimny").body()).doesNotContain("chimney");
        Page staff = signedIn("owner@example.org");
        staff.navigate(address("/winged-guests?q=Goshawc"));
        assertThat(staff.locator(".instead")).hasText("“Goshawk”: 1");
    }

    @Test
    void whichFilterToDropIsSaidWithHowManyRowsThatLeaves() {
        Page page = desktop();
        page.navigate(address("/winged-guests?f.place=Barn&q=kestrel"));
        assertThat(page.locator(".instead li")).containsText(new String[] {"Without the words “kestrel”: 1", "Without the filter Place: 2"});
        page.locator(".instead a").last().click();
        assertThat(page.locator(".table tbody tr")).hasCount(2);
    }
}
