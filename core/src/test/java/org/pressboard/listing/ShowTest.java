package org.pressboard.listing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.pressboard.listing.Layout.LayoutKind;
import org.pressboard.value.FieldKey;

/** Layouts, and what becomes of what was said of one while there is another. */
class ShowTest {

    private static final FieldKey NAME = new FieldKey("name");
    private static final Show TABLE = Show.table(List.of(NAME));

    @Test
    void whoeverReturnsToALayoutFindsItAsItWas() {
        Show two = TABLE.in(LayoutKind.CARDS).laidOut(layout -> ((Layout.AsCards) layout).across(2)
                .facing(face -> face.tagging(List.of(NAME)).labelled(false)));
        Show back = two.in(LayoutKind.TABLE).in(LayoutKind.STRIP).in(LayoutKind.TABLE).in(LayoutKind.CARDS);
        assertThat(back.layout()).isEqualTo(two.layout());
    }

    @Test
    void cardsLookAlikeInAllLayouts() {
        Show strip = TABLE.in(LayoutKind.CARDS).in(LayoutKind.STRIP).laidOut(layout -> layout.facing(face ->
                face.with(CardFace.PicturePlace.NONE)));
        assertThat(strip.in(LayoutKind.CARDS).layout().cards()).contains(CardFace.USUAL.with(CardFace.PicturePlace.NONE));
        assertThat(strip.in(LayoutKind.TABLE).layout().facing(face -> face.labelled(false))).isEqualTo(new Layout.AsTable());
    }

    /** However often layouts are changed, no more is kept than one of each. */
    @Test
    void ofEachLayoutOneIsKept() {
        RandomGenerator random = RandomGenerator.of("L64X128MixRandom");
        Show show = TABLE;
        for (int i = 0; i < 200; i++) {
            LayoutKind kind = LayoutKind.values()[random.nextInt(LayoutKind.values().length)];
            show = show.in(kind);
            assertThat(show.layout().kind()).isEqualTo(kind);
            assertThat(show.earlier()).extracting(Layout::kind).doesNotHaveDuplicates().doesNotContain(kind);
        }
        assertThat(show.in(show.layout().kind())).isSameAs(show);
    }

    @Test
    void fourCardsStandSideBySideAtMost() {
        assertThatThrownBy(() -> new Layout.AsCards(5, CardFace.USUAL)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Layout.AsCards(0, CardFace.USUAL)).isInstanceOf(IllegalArgumentException.class);
    }
}
