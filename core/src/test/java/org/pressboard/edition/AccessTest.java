package org.pressboard.edition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Onlooker;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.TakeAway;
import org.pressboard.table.TableKey;

class AccessTest {

    private static final GroupKey STEWARDS = new GroupKey("stewards");
    private static final Visitor MEMBER = Visitor.member("tomas@example.org");
    private static final Visitor STEWARD = new Visitor(Visitor.Kind.MEMBER, Onlooker.NOBODY, Set.of(STEWARDS));
    private static final Listing TREES = Listing.plain(new ListingKey("trees"), new TableKey("trees"), List.of());
    private static final Listing TOOLS = Listing.plain(new ListingKey("tools"), new TableKey("tools"), List.of());

    private static Access of(Audience... audiences) {
        return new Access(List.of(audiences), Access.Otherwise.NOT_THERE, "");
    }

    @Test
    void ofNobodyNamedEverybodyIsLet() {
        assertThat(Access.EVERYBODY.lets(Visitor.ANYONE)).isTrue();
        assertThat(of(Audience.EVERYONE).lets(Visitor.ANYONE)).isTrue();
    }

    @Test
    void othersThanThoseNamedAreNotButStaffAlwaysIs() {
        assertThat(of(Audience.MEMBERS).lets(Visitor.ANYONE)).isFalse();
        assertThat(of(Audience.MEMBERS).lets(MEMBER)).isTrue();
        assertThat(of(Audience.those(STEWARDS)).lets(MEMBER)).isFalse();
        assertThat(of(Audience.those(STEWARDS)).lets(STEWARD)).isTrue();
        assertThat(of(Audience.those(STEWARDS)).lets(Visitor.staff("owner@example.org"))).isTrue();
    }

    @Test
    void whatIsForSomeIsLeftOutForOthers() {
        Page page = new Page(new PageKey("all"), "All", List.of(TREES, TOOLS)).changing("sheet-" + TOOLS.key(), part -> part.forThose(List.of(Audience.those(STEWARDS))));
        assertThat(page.of(MEMBER).listings()).containsExactly(TREES);
        assertThat(page.of(STEWARD).listings()).containsExactly(TREES, TOOLS);
        Part form = new Part.OfForm(Form.plain(new FormKey("tell"), TREES.table(), "Tell"), Frame.USUAL);
        Page both = page.of(List.of(form, form.forThose(List.of(Audience.MEMBERS))));
        assertThat(both.of(Visitor.ANYONE).parts()).containsExactly(form);
        assertThat(both.of(MEMBER).parts()).hasSize(2);
    }

    /** Whoever moves, changes or takes listings off a page does not open those that are for some. */
    @Test
    void whomAPartIsForStaysWithIt() {
        List<Audience> stewards = List.of(Audience.those(STEWARDS));
        Page page = new Page(new PageKey("all"), "All", List.of(TREES, TOOLS)).changing("sheet-" + TOOLS.key(), part -> part.forThose(stewards));
        Page moved = page.with(List.of(TOOLS, TREES)).changing(TOOLS.key(), listing -> listing.takenAwayAs(Set.of(TakeAway.CSV)));
        assertThat(moved.audiences(TOOLS.key())).isEqualTo(stewards);
        assertThat(moved.audiences(TREES.key())).isEmpty();
        assertThat(page.with(List.of(TREES)).with(List.of(TREES, TOOLS)).audiences(TOOLS.key())).isEmpty();
    }
}
