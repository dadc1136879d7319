package org.pressboard.stand;

import java.time.LocalDate;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.edition.Page;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Asked;
import org.pressboard.listing.Listing;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.StateAddress;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.visit.Visit;

/** Somebody asks for a listing: who, where, what they may see of its table, and what the address said. */
public final class Asking {

    private final Visit visit;
    private final @Nullable Page page;
    private final Listing listing;
    private final Addresses addresses;
    private final Sight sight;
    private final StateAddress address;
    private final Asked asked;
    private final RowQuery rowQuery;

    private Asking(Stand stand, Visit visit, @Nullable Page page, Listing listing, AddressPart part) {
        this.visit = visit;
        this.page = page;
        this.sight = visit.sight(listing.table()).reaching(listing.reached());
        this.listing = listing.hiding(sight.hidden(), sight.table());
        this.addresses = new Addresses(stand, listing.key());
        this.address = new StateAddress(this.listing, sight.table(), part);
        this.asked = address.read();
        this.rowQuery = rowQuery(asked.state());
    }

    /** On a page. */
    public static Asking of(OpenPage on, Listing listing, AddressPart part) {
        return new Asking(on.stand(), on.visit(), on.page(), listing, part);
    }

    /** Of a listing that stands on no page. */
    public static Asking of(Stand stand, Visit visit, Listing listing, AddressPart part) {
        return new Asking(stand, visit, null, listing, part);
    }

    public Visit visit() {
        return visit;
    }

    public Visitor visitor() {
        return visit.visitor();
    }

    /** The one that the listing stands on; {@code null}: none. */
    public @Nullable Page page() {
        return page;
    }

    /** As this visitor has it. */
    public Listing listing() {
        return listing;
    }

    /** What they see of the listing's table, and of those around it. */
    public Sight sight() {
        return sight;
    }

    public Table table() {
        return sight.table();
    }

    /** How its state is written in addresses. */
    public StateAddress address() {
        return address;
    }

    public Asked asked() {
        return asked;
    }

    public RequestState state() {
        return asked.state();
    }

    public Addresses addresses() {
        return addresses;
    }

    public Locale language() {
        return visit.language();
    }

    /** The day on which they ask, by the site's clock. */
    public LocalDate today() {
        return visit.today();
    }

    /** From where they look. */
    public Standpoint standpoint() {
        return page == null ? visit.standpoint() : visit.standpoint().on(page.here());
    }

    /** Whether the visitor may see any row at all. */
    public boolean isAllowed() {
        return !sight.rows(listing.table()).equals(Condition.NEVER);
    }

    /** The state asked for, as an address's query in its shortest form. */
    public String query() {
        return address.write(asked.state());
    }

    /** The rows that the address means. */
    public RowQuery rowQuery() {
        return rowQuery;
    }

    /** Those of another state. */
    public RowQuery rowQuery(RequestState state) {
        return RowQuery.of(listing, sight, visitor(), state, standpoint());
    }

    /** The rows that the address means, with what else is read of each to draw them. */
    public RowQuery drawn() {
        return rowQuery.reading(listing.besides(table()));
    }

    /** The tables on whose rows it depends, however it is asked for. */
    public Set<TableKey> reached() {
        return begun().reached();
    }

    /** The same as the listing begins, whatever is sought in it. */
    public RowQuery begun() {
        return rowQuery(RequestState.startOf(listing)).reading(listing.besides(table()));
    }
}
