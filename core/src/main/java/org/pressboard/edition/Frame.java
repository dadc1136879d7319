package org.pressboard.edition;

import java.util.List;
import org.pressboard.grant.Audience;

/**
 * How a part is set into its page.
 *
 * @param width     how much of the page it takes where there is room
 * @param audiences those whom it is for; none: everybody who gets to the page
 */
public record Frame(Width width, List<Audience> audiences) {

    /** As wide as the page, for everybody. */
    public static final Frame USUAL = new Frame(Width.WHOLE, List.of());

    /** What a part takes of the page's width, in twelfths; on a phone each takes all of it. */
    public enum Width {
        WHOLE(12), TWO_THIRDS(8), HALF(6), THIRD(4);

        private final int twelfths;

        Width(int twelfths) {
            this.twelfths = twelfths;
        }

        public int twelfths() {
            return twelfths;
        }
    }

    public Frame {
        audiences = List.copyOf(audiences);
    }

    public Frame forThose(List<Audience> others) {
        return new Frame(width, others);
    }

    public Frame of(Width other) {
        return new Frame(other, audiences);
    }
}
