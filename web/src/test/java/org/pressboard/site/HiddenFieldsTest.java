package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.TakeAway;

/** Fields that a listing does not show tell nothing to anybody, whatever is asked, though it was published so. */
class HiddenFieldsTest extends WithOwnTable {

    private static final Listing LISTING = Listing.plain(new ListingKey("grafts"), GRAFTS.key(), List.of(NAME))
            .with(Finding.by(List.of(NAME, YEAR), List.of(NAME, YEAR))).takenAwayAs(EnumSet.allOf(TakeAway.class));

    @ParameterizedTest
    @ValueSource(strings = {"f.year=1961", "f.year.from=1962", "f.year.to=1961", "sort=year", "sort=-year"})
    void whatIsAskedOfAHiddenFieldIsNotFollowed(String asked) {
        publish(3, LISTING);
        assertThat(get("/grafts?" + asked).body()).contains("1 to 3 of 3").contains("That part was ignored")
                .contains("Graft1").contains("Graft3").doesNotContain("1961</td>");
        assertThat(get("/listings/grafts/rows?" + asked).body()).contains("1 to 3 of 3");
        for (String address : List.of("rows/count", "rows.csv", "rows.json")) {
            assertThat(get("/listings/grafts/" + address + "?" + asked).statusCode()).as(address).isEqualTo(400);
        }
        Page member = signedIn("mira@example.org");
        member.navigate(address("/grafts?" + asked));
        assertThat(column(member, 0)).containsExactly("Graft1", "Graft2", "Graft3");
    }

    @Test
    void aHiddenFieldIsNeitherSearchedNorCarriedAway() {
        publish(3, LISTING);
        assertThat(get("/listings/grafts/rows?q=1961").body()).contains("Nothing found");
        assertThat(get("/listings/grafts/rows/count?q=1961").body()).isEqualTo("0");
        assertThat(get("/listings/grafts/rows.csv").body()).isEqualTo("Name\r\nGraft1\r\nGraft2\r\nGraft3\r\n");
        assertThat(get("/listings/grafts/rows.json").body()).doesNotContain("year").doesNotContain("1961");
    }
}
