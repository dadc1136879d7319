package org.pressboard.sheet;

import org.pressboard.grant.Decision;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Asked;
import org.pressboard.listing.Listing;
import org.pressboard.listing.StateAddress;
import org.pressboard.table.Table;

/** Somebody asks for a listing: who, what they may see of its table, and what the address said. */
public record Asking(Listing listing, Table table, Visitor visitor, Decision decision, StateAddress address,
                     Asked asked) {

    public static Asking of(Listing listing, Table table, Visitor visitor, Decision decision, AddressPart part) {
        StateAddress address = new StateAddress(listing, table, part);
        return new Asking(listing, table, visitor, decision, address, address.read());
    }

    /** The state asked for, as an address's query in its shortest form. */
    public String query() {
        return address.write(asked.state());
    }
}
