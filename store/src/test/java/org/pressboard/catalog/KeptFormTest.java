package org.pressboard.catalog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Frame;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.listing.CardFace;
import org.pressboard.listing.Layout;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * What a release has once written, every later one reads. The files are as releases wrote them, one for each version of each
 * kind of definition; they never change, and are joined by one more with each step.
 */
class KeptFormTest {

    private static final JsonMapper JSON = new JsonMapper();

    private static String file(String name) {
        try (InputStream in = Objects.requireNonNull(KeptFormTest.class.getResourceAsStream("/kept/" + name), name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException broken) {
            throw new AssertionError(broken);
        }
    }

    @Test
    void aPageOfTheSecondFormIsThatOfTheThird() {
        Page page = KeptForm.PAGE.read(file("page-2.json"));
        assertThat(page).isEqualTo(KeptForm.PAGE.read(file("page-3.json")));
        assertThat(page.key()).isEqualTo(new PageKey("adopt"));
        assertThat(page.listings()).singleElement().satisfies(listing -> assertThat(listing.show().layout())
                .isEqualTo(new Layout.AsCards(3, CardFace.USUAL)));
        assertThat(page.forms()).hasSize(1);
    }

    /** Also what a page had to say for which there was no room, or nobody had asked yet. */
    @Test
    void whatTheSecondFormSaidOfCardsAndOfWhomAListingIsForStays() {
        ObjectNode kept = (ObjectNode) JSON.readTree(file("page-2.json"));
        ObjectNode old = (ObjectNode) kept.get("page");
        old.set("access", JSON.readTree("""
                {"audiences":[{"who":"members"}],"otherwise":"SIGN_IN","message":"Only for members",
                "listings":[{"listing":"adopt","audiences":[{"who":"group","group":"stewards"}]}]}"""));
        ObjectNode show = (ObjectNode) old.get("listings").get(0).get("show");
        show.put("layout", "STRIP").set("cards", JSON.readTree("""
                {"across":2,"picture":"NONE","labels":false,"tags":["health"]}"""));
        Page page = KeptForm.PAGE.read(kept.toString());
        CardFace face = new CardFace(CardFace.PicturePlace.NONE, false, List.of(new FieldKey("health")));
        assertThat(page.listings().getFirst().show().layout()).isEqualTo(new Layout.AsStrip(face));
        assertThat(page.listings().getFirst().show().in(Layout.LayoutKind.CARDS).layout()).isEqualTo(new Layout.AsCards(2, face));
        assertThat(page.audiences(new ListingKey("adopt"))).singleElement().isInstanceOf(Audience.Those.class);
        assertThat(page.access().audiences()).containsExactly(Audience.MEMBERS);
        assertThat(page.access().message()).isEqualTo("Only for members");

        show.putNull("layout").putNull("cards").putNull("totals");
        old.putNull("access").putNull("lead").putNull("forms");
        Page bare = KeptForm.PAGE.read(kept.toString());
        assertThat(bare.listings().getFirst().show().layout()).isEqualTo(new Layout.AsTable());
        assertThat(bare.access().lets(org.pressboard.grant.Visitor.ANYONE)).isTrue();
        assertThat(bare.forms()).isEmpty();
    }

    /** In the third form nothing was said of how a part is set into its page, and there were no words between them. */
    @Test
    void aPageOfTheThirdFormHasItsPartsAcrossTheWholePage() {
        Page page = KeptForm.PAGE.read(file("page-3.json"));
        assertThat(page.parts()).hasSize(2).allSatisfy(part -> assertThat(part.frame()).isEqualTo(Frame.USUAL));
        Page later = KeptForm.PAGE.read(file("page-4.json"));
        assertThat(later.with(page.listings()).holding(page.forms()).parts()).hasSize(5).element(1)
                .satisfies(part -> assertThat(part.frame().width()).isEqualTo(Frame.Width.TWO_THIRDS));
        assertThat(later.listings()).isEqualTo(page.listings());
    }

    @Test
    void todaysFormIsWrittenAsItIsRead() {
        assertThat(JSON.readTree(KeptForm.PAGE.write(KeptForm.PAGE.read(file("page-4.json")))))
                .isEqualTo(JSON.readTree(file("page-4.json")));
        assertThat(JSON.readTree(KeptForm.TABLE.write(KeptForm.TABLE.read(file("table-1.json")))))
                .isEqualTo(JSON.readTree(file("table-1.json")));
    }

    /** Tables and conditions had no version at first. */
    @Test
    void whatHasNoVersionIsOfTheFirst() {
        Table bare = KeptForm.TABLE.read(file("table-1-bare.json"));
        assertThat(bare).isEqualTo(KeptForm.TABLE.read(file("table-1.json")));
        assertThat(KeptForm.CONDITION.read("{\"is\":\"all\",\"parts\":[]}")).isEqualTo(Condition.ALWAYS)
                .isEqualTo(KeptForm.CONDITION.read(KeptForm.CONDITION.write(Condition.ALWAYS)));
    }

    @Test
    void whatALaterReleaseHasWrittenIsNeitherReadNorGuessed() {
        for (KeptForm<?> form : List.of(KeptForm.PAGE, KeptForm.TABLE, KeptForm.CONDITION, KeptForm.FIELD)) {
            assertThatThrownBy(() -> form.read("{\"version\":99,\"page\":{},\"table\":{},\"condition\":{},\"field\":{}}"))
                    .isInstanceOf(NewerForm.class).hasMessageContaining("form 99");
        }
    }
}
