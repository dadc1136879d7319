package org.pressboard.sheet;

import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Asked;
import org.pressboard.listing.Listing;
import org.pressboard.listing.StateAddress;
import org.pressboard.table.Table;

/**
 * Somebody asks for a listing: who, what they may see of its table, and what the address said.
 *
 * @param page the one that the listing stands on; {@code null}: none
 */
public record Asking(Listing listing, Standpoint.@Nullable OnPage page, Sight sight, Visitor visitor, StateAddress address, Asked asked) {

    /** @param sight what the visitor sees of the listing's table, and of those around it */
    public static Asking of(Listing listing, Standpoint.@Nullable OnPage page, Sight sight, Visitor visitor, AddressPart part) {
        Sight reaching = sight.reaching(listing.reached());
        Listing theirs = listing.hiding(reaching.hidden(), reaching.table());
        StateAddress address = new StateAddress(theirs, reaching.table(), part);
        return new Asking(theirs, page, reaching, visitor, address, address.read());
    }

    /** From where they look at that moment. */
    public Standpoint standpoint(LocalDateTime moment) {
        return visitor.at(moment).on(page);
    }

    public Table table() {
        return sight.table();
    }

    /** Whether the visitor may see any row at all. */
    public boolean isAllowed() {
        return !sight.rows(listing.table()).equals(Condition.NEVER);
    }

    /** The state asked for, as an address's query in its shortest form. */
    public String query() {
        return address.write(asked.state());
    }
}
