package org.pressboard.sheet.line;

import java.util.Locale;
import org.pressboard.listing.CardFace;
import org.pressboard.listing.Dress;
import org.pressboard.listing.Layout;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Opening;

/**
 * How a sheet looks, as the classes that its styles and scripts go by.
 *
 * @param fillsInSlip whether forms are laid over it
 * @param broken      whether it shows no rows because its ticket asks for what is gone
 */
public record Look(Layout layout, Dress dress, Opening opening, boolean fillsInSlip, boolean broken) {

    public static Look of(Listing listing) {
        return new Look(listing.show().layout(), listing.dress(), listing.opening(), listing.changing().inSlip(),
                listing.isBroken());
    }

    public boolean isOfCards() {
        return layout.cards().isPresent();
    }

    public boolean isStrip() {
        return layout instanceof Layout.AsStrip;
    }

    /** Of the whole of it. */
    public String classes() {
        return "sheet-" + name(layout.kind()) + " rows-" + name(dress.density()) + " stripes-" + name(dress.stripes()) + " rules-"
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

    /** Of its cards; none where it has none. */
    public String cardClasses() {
        return switch (layout) {
            case Layout.AsTable rows -> "";
            case Layout.AsCards cards -> "cards across-" + cards.across() + faceClasses(cards.face());
            case Layout.AsStrip strip -> "strip" + faceClasses(strip.face());
        };
    }

    private static String faceClasses(CardFace face) {
        return " picture-" + name(face.picture()) + (face.labels() ? "" : " unlabelled");
    }

    private static String name(Enum<?> choice) {
        return choice.name().toLowerCase(Locale.ROOT);
    }
}
