package org.pressboard.sheet;

import java.util.Locale;
import org.pressboard.listing.Cards;
import org.pressboard.listing.Dress;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Opening;
import org.pressboard.listing.Show;

/**
 * How a sheet looks, as the classes that its styles and scripts go by.
 *
 * @param fillsInSlip whether forms are laid over it
 * @param broken      whether it shows no rows because its ticket asks for what is gone
 */
public record Look(Show.Layout layout, Cards cards, Dress dress, Opening opening, boolean fillsInSlip, boolean broken) {

    static Look of(Listing listing) {
        return new Look(listing.show().layout(), listing.show().cards(), listing.dress(), listing.opening(),
                listing.changing().inSlip(), listing.isBroken());
    }

    public boolean isOfCards() {
        return layout.isOfCards();
    }

    public boolean isStrip() {
        return layout == Show.Layout.STRIP;
    }

    /** Of the whole of it. */
    public String classes() {
        return "sheet-" + name(layout) + " rows-" + name(dress.density()) + " stripes-" + name(dress.stripes()) + " rules-"
                + name(dress.rules())
                + (opening.how() == Opening.How.NOTHING ? "" : " opens-" + how())
                + (fillsInSlip ? " fills-in-slip" : "");
    }

    /** Where an opened row is read, as scripts and styles know it. */
    public String how() {
        return name(opening.how()).replace('_', '-');
    }

    /** Whether a row is opened by a button of its own. */
    public boolean hasButton() {
        return opening.how() != Opening.How.NOTHING && !opening.button().isEmpty();
    }

    /** Of its cards. */
    public String cardClasses() {
        return (isStrip() ? "strip" : "cards across-" + cards.across()) + " picture-" + name(cards.picture())
                + (cards.labels() ? "" : " unlabelled");
    }

    private static String name(Enum<?> choice) {
        return choice.name().toLowerCase(Locale.ROOT);
    }
}
