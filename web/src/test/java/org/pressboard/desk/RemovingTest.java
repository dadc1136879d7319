package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.URI;
import java.net.http.HttpRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.SortBy;
import org.pressboard.site.WithTables;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** What goes with something that is removed is said before, and remembered after. */
class RemovingTest extends WithTables {

    private static final TableKey RACKS = new TableKey("racks");
    private static final TableKey TRAYS = new TableKey("trays");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey RACK = new FieldKey("rack");
    private static final PageKey PAGE = new PageKey("racks");

    private RowId rack;
    private RowId tray;

    @BeforeEach
    void makeTables() {
        changes.make("Racks", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER);
        changes.make("Trays", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(RACK, "Rack", new Referring.Reference(RACKS, Referring.OnRemoval.CLEAR)))), OWNER);
        rack = editing.add(RACKS, Map.of(NAME, Value.of("Long rack")), OWNER).row();
        tray = editing.add(TRAYS, Map.of(NAME, Value.of("Plums"), RACK, new Value.Referred(rack, "")), OWNER).row();
    }

    @AfterEach
    void removeTables() {
        closePages();
        publisher.remove(TRAYS, RACKS);
    }

    @Test
    void aRowThatOthersReferToIsAskedForOnceMore() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/tables/racks/rows/" + rack));
        button(page, "Remove this row").click();
        assertThat(page.locator(".slip-remove")).containsText("1 row of Trays refers to it by Rack");
        assertThat(editing.find(RACKS, rack)).isPresent();
        button(page, "Remove it").click();
        assertThat(page.locator(".note-good")).containsText("removed");
        assertThat(editing.find(RACKS, rack)).isEmpty();
        assertThat(editing.find(TRAYS, tray).orElseThrow().find(RACK)).isEmpty();
        page.navigate(address("/desk/tables/racks/history"));
        assertThat(page.locator("main")).containsText("1 row of Trays refers to nothing now by Rack");
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void whatAnEditionChangedIsAgainstWhatVisitorsHad() {
        Listing listing = Listing.plain(new ListingKey("racks"), RACKS, List.of(NAME));
        publish(PAGE, "Racks", listing, RACKS);
        drafts.change(PAGE, "owner", page -> page.titled("All racks"));
        publisher.publish(PAGE, Map.of(), null);
        publisher.putBack(PAGE, 1);
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/editions/racks"));
        assertThat(page.locator("main")).containsText("The draft, since then:");
        assertThat(page.locator("main")).containsText("All racks");
        publisher.publish(PAGE, Map.of(), null);
        page.reload();
        assertThat(page.locator(".acts li").first()).containsText("Against edition 1, which visitors had then:");
        assertThat(page.locator(".acts li").first()).containsText("All racks");
    }

    /** Shown, sorted by, asked about: the page does without, and says so at the desk until the field is back. */
    @Test
    void thePageSaysWhichOfItsFieldsAreGone() {
        Listing listing = Listing.plain(new ListingKey("trays"), TRAYS, List.of(NAME, RACK))
                .with(Ordering.by(List.of(SortBy.up(RACK))));
        publish(PAGE, "Trays", listing, TRAYS);
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages/racks"));
        assertThat(page.locator("main")).not().containsText("removed from");
        changes.removeField(TRAYS, RACK, OWNER);
        page.reload();
        assertThat(page.locator(".note-warn")).containsText("Rack was removed from Trays. Visitors see this page without it.");
        page.locator(".note-warn").getByRole(AriaRole.LINK).click();
        button(page, "Put back").click();
        page.navigate(address("/desk/pages/racks"));
        assertThat(page.locator("main")).not().containsText("removed from");
        assertThat(page.locator(".proof")).containsText("Long rack");
    }

    /** Both are the first to keep something in the session. */
    @Test
    void twoTabsSaveAtTheSameMoment() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/members"));
        String token = page.locator("input[name=_csrf]").first().inputValue();
        String cookies = page.context().cookies().stream().map(each -> each.name + "=" + each.value).collect(Collectors.joining("; "));
        for (int i = 0; i < 20; i++) {
            List<CompletableFuture<Integer>> answers = new ArrayList<>();
            for (int tab = 0; tab < 4; tab++) {
                answers.add(CompletableFuture.supplyAsync(() -> send(HttpRequest.newBuilder(URI.create(address("/desk/members/groups")))
                        .header("Cookie", cookies).header("Content-Type", "application/x-www-form-urlencoded")
                        .POST(HttpRequest.BodyPublishers.ofString("label=&_csrf=" + token)).build()).statusCode()));
            }
            assertThat(answers.stream().map(CompletableFuture::join)).as("round %d", i).containsOnly(302);
            page.navigate(address("/desk/members"));
        }
    }
}
