package org.pressboard.listing;

import java.util.List;
import java.util.Objects;
import org.pressboard.value.FieldKey;

/**
 * How rows look as cards.
 *
 * @param across how many stand side by side where there is room, 1 to {@link #MOST_ACROSS}
 * @param labels whether the lines begin with what they are of
 * @param tags   the fields that stand as tags; the others are lines
 */
public record Cards(int across, Place picture, boolean labels, List<FieldKey> tags) {

    public static final int MOST_ACROSS = 4;

    /** Where on a card its picture is. */
    public enum Place { ABOVE, BESIDE, BEHIND, NONE }

    public static final Cards USUAL = new Cards(3, Place.ABOVE, true, List.of());

    public Cards {
        // what was kept before there were cards has nothing to say of them
        across = across == 0 ? 3 : across;
        picture = Objects.requireNonNullElse(picture, Place.ABOVE);
        tags = tags == null ? List.of() : List.copyOf(tags);
        if (across < 1 || across > MOST_ACROSS) {
            throw new IllegalArgumentException("At most " + MOST_ACROSS + " cards stand side by side, not " + across);
        }
    }

    public Cards across(int other) {
        return new Cards(other, picture, labels, tags);
    }

    public Cards with(Place other) {
        return new Cards(across, other, labels, tags);
    }

    public Cards labelled(boolean areLabelled) {
        return new Cards(across, picture, areLabelled, tags);
    }

    public Cards tagging(List<FieldKey> others) {
        return new Cards(across, picture, labels, others);
    }
}
