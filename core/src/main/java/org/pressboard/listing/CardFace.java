package org.pressboard.listing;

import java.util.List;
import org.pressboard.value.FieldKey;

/**
 * How a card looks.
 *
 * @param labels whether the lines begin with what they are of
 * @param tags   the fields that stand as tags; the others are lines
 */
public record CardFace(PicturePlace picture, boolean labels, List<FieldKey> tags) {

    /** Where on a card its picture is. */
    public enum PicturePlace { ABOVE, BESIDE, BEHIND, NONE }

    public static final CardFace USUAL = new CardFace(PicturePlace.ABOVE, true, List.of());

    public CardFace {
        tags = List.copyOf(tags);
    }

    public CardFace with(PicturePlace other) {
        return new CardFace(other, labels, tags);
    }

    public CardFace labelled(boolean areLabelled) {
        return new CardFace(picture, areLabelled, tags);
    }

    public CardFace tagging(List<FieldKey> others) {
        return new CardFace(picture, labels, others);
    }
}
