package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.table.TableKey;

/** A page that nobody has yet is tried for real: as a member, with rows that stay. */
class DraftForRealTest extends AtBench {

    private static final String CRATES = "/crates";

    @Test
    void theOwnerAddsARowAsAMemberOnAPageThatIsNotPublished() {
        publisher.grant(new TableKey("crates"), new Grants(Stream.of(Verb.SEE, Verb.ADD)
                .map(verb -> new Grant(Audience.MEMBERS, verb, Condition.ALWAYS)).toList()));
        Page owner = bench();
        drafts.change(new PageKey("crates"), "owner", page -> page.with(List.of(page.listings().getFirst()
                .with(Changing.NOTHING.with(true, false, false)))));
        owner.navigate(address(BENCH));
        waitForScripts(owner);
        owner.locator("#seen-by").selectOption("?");
        owner.locator("#seen-member").fill("Mira Holloway");
        owner.keyboard().press("Enter");
        Page page = owner.context().waitForPage(button(owner, "Act as them")::click);
        assertThat(page.locator(".stand-in")).containsText("You see the site as Mira Holloway, with “Crates” as drafted.");
        assertThat(page.locator("nav.tabs [aria-current]")).hasText("Crates");
        assertThat(page.locator("nav.tabs")).not().containsText("Pledges"); // another draft
        waitForScripts(page);
        link(page, "Add a row").click();
        page.locator("main").getByLabel("Name").fill("Crate of hers");
        button(page, "Add").click();
        assertThat(page.locator("main .note-good")).containsText("Added");
        assertThat(page.locator(".table tbody tr")).hasCount(7);

        // to her it is not there, nor to the owner as themselves
        Page mira = signedIn("mira@example.org");
        assertThat(mira.request().get(address(CRATES)).status()).isEqualTo(404);
        assertThat(mira.locator("nav.tabs")).not().containsText("Crates");
        button(page, "Stop").click();
        assertThat(page.request().get(address(CRATES)).status()).isEqualTo(404);
        assertThat(page.request().get(address("/listings/crates/rows")).status()).isEqualTo(404);
    }
}
