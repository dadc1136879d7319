package org.pressboard.stand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.catalog.Site;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.visit.Caller;
import org.pressboard.visit.Visit;

/** Where listings are served, and what their addresses are there. */
class StandTest {

    private static final TableKey TREES = new TableKey("trees");
    private static final FieldKey TREE = new FieldKey("tree");
    private static final PageKey PAGE = new PageKey("orchard");
    private static final ListingKey ALL = new ListingKey("all-trees");
    private static final ListingKey OWN = new ListingKey("own-trees");
    private static final PublishedSite SITE = new PublishedSite(new Site("Orchard", "en-GB", "", Site.SignUp.CLOSED, ZoneOffset.UTC),
            List.of(), Set.of(), Tables.of(List.of(new Table(TREES, "Trees", new Fields(List.of(new Field(TREE, "Tree", new Textual.Text())))))),
            Map.of(), List.of(), Map.of());

    /** One listing for everybody, and one for those who are signed in. */
    private static final Page ORCHARD = new Page(PAGE, "Orchard", List.of(listing(ALL), listing(OWN)))
            .changing("sheet-" + OWN, part -> part.forThose(List.of(Audience.MEMBERS)));

    private static Listing listing(ListingKey key) {
        return Listing.plain(key, TREES, List.of(TREE)).with(Finding.by(List.of(TREE), List.of()));
    }

    private static Visit visit(Visitor visitor) {
        return Visit.of(new Caller(null, visitor, null, ""), SITE, 0, LocalDateTime.of(2026, 10, 3, 10, 0));
    }

    private static OpenPage open(Stand stand, Visitor visitor) {
        return new OpenPage(stand, ORCHARD, visit(visitor));
    }

    @Test
    void onTheSiteEverythingHasAnAddress() {
        Addresses at = new Addresses(new Stand.Published(PAGE), ALL);
        assertThat(List.of(at.page(), at.read(), at.rows(), at.takeAway(), at.picking(), at.valueCounts(), at.opening()))
                .containsExactly("/orchard", "/orchard", "/listings/all-trees/rows", "/listings/all-trees/rows",
                        "/listings/all-trees/pick/", "/listings/all-trees/rows/value-counts", "");
        assertThat(at.live()).isEqualTo("all-trees");
        assertThat(at.changing("/7/change")).isEqualTo("/listings/all-trees/rows/7/change");
        assertThat(at.sending("pledge", "tree", new RowId(7))).isEqualTo("/orchard/send/pledge?v.tree=%237");
        assertThat(at.printed("?q=a")).isEqualTo("/listings/all-trees/print?q=a");
    }

    @Test
    void inAProofNothingIsChangedNorCarriedAway() {
        for (Stand stand : List.of(new Stand.Draft(PAGE, null), new Stand.Draft(PAGE, "mira@example.org"), new Stand.OfEdition(PAGE, 3))) {
            Addresses at = new Addresses(stand, ALL);
            assertThat(at.rows()).isEqualTo(at.page() + "/all-trees/rows");
            assertThat(at.picking()).isEqualTo(at.page() + "/all-trees/pick/");
            assertThat(at.valueCounts()).isEqualTo(at.rows() + "/value-counts");
            assertThat(at.read()).isEqualTo(at.page());
            assertThat(List.of(at.takeAway(), at.opening())).containsOnly("");
            assertThat(List.of(at.changing("/add"), at.sending("pledge", "tree", new RowId(7)))).containsOnly(Addresses.NOWHERE);
            assertThat(at.live()).isNull();
            assertThat(at.isChangeable()).isTrue();
            assertThat(Stands.isProof(at.page()) && Stands.isProof(at.rows())).isTrue();
        }
        assertThat(new Stand.Draft(PAGE, "a/b c").page()).isEqualTo("/desk/seen/a%2Fb%20c/orchard");
    }

    @Test
    void atTheDeskRowsAreOpenedWhereTheyAre() {
        Addresses rows = new Addresses(new Stand.AllRows(TREES), new ListingKey("all"));
        assertThat(List.of(rows.page(), rows.rows(), rows.opening(), rows.picking(), rows.valueCounts(), rows.takeAway()))
                .containsExactly("/desk/tables/trees", "/desk/tables/trees/rows", "/desk/tables/trees/rows/",
                        "/desk/tables/trees/narrow/", "", "");
        Addresses page = new Addresses(new Stand.AtDesk(PAGE), ALL);
        assertThat(List.of(page.page(), page.rows(), page.read(), page.picking(), page.takeAway()))
                .containsExactly("/desk/pages/orchard", "/desk/pages/orchard/all-trees/rows", "/desk/proof/orchard", "", "");
        assertThat(page.isChangeable() || rows.isChangeable()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"/desk", "/desk/proofs", "/desk/pages/proof", "/desk/editions/orchard", "/desk/editions/orchard/3/put-back",
        "/desk/editions/look", "/orchard", "/desk/tables/seen"})
    void otherAddressesAreOfNoProof(String address) {
        assertThat(Stands.isProof(address)).isFalse();
    }

    /** The addresses that a page has, and those that its parts write into it, name the state of its listings alike. */
    @Test
    void whoSeesOneListingOfTwoHasAddressesOfAPageWithOne() {
        OpenPage theirs = open(new Stand.Published(PAGE), Visitor.ANYONE);
        assertThat(theirs.askings(Map.of("q", List.of("plum")))).extracting(Asking::query).containsExactly("?q=plum");
        assertThat(theirs.asking(ALL, Map.of("q", List.of("plum"))).query()).isEqualTo("?q=plum");
        assertThatThrownBy(() -> theirs.asking(OWN, Map.of())).isInstanceOf(NotThere.class);

        OpenPage members = open(new Stand.Published(PAGE), Visitor.member("mira@example.org"));
        assertThat(members.askings(Map.of("own-trees~q", List.of("plum")))).extracting(Asking::query)
                .containsOnly("?own-trees~q=plum");
        assertThat(members.asking(OWN, Map.of("q", List.of("plum"))).query()).isEqualTo("?own-trees~q=plum");
    }

    @Test
    void aPageIsSeenAsSomebodyElseWouldHaveIt() {
        OpenPage staff = open(new Stand.Draft(PAGE, "anyone"), Visitor.staff("owner@example.org"));
        assertThat(staff.askings(Map.of())).allMatch(Asking::isAllowed).hasSize(2);
        Visit drawn = staff.visit().seenBy(Visitor.ANYONE);
        assertThat(drawn.isTheirOwn()).isFalse();
        assertThat(drawn.caller().visitor()).isEqualTo(Visitor.staff("owner@example.org"));
        assertThat(new OpenPage(staff.stand(), ORCHARD, drawn).askings(Map.of())).noneMatch(Asking::isAllowed).hasSize(1);
    }
}
