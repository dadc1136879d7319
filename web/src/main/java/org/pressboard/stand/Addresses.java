package org.pressboard.stand;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.TakeAway;
import org.pressboard.value.RowId;

/** The addresses of a listing on a stand; an empty one says that it is not offered there. */
public record Addresses(Stand stand, ListingKey listing) {

    /** An address that leads nowhere else. */
    public static final String NOWHERE = "#nothing-changes-in-a-proof";

    /** Of the page it is on, which carries its state. */
    public String page() {
        return stand.page();
    }

    /** That answers with the sheet alone. */
    public String rows() {
        return stand.listing(listing) + "/rows";
    }

    /** What the addresses of rows begin with that are read whole, before their keys. */
    public String read() {
        return stand.read();
    }

    /** Of all rows to be carried away, without the ending. */
    public String takeAway() {
        return isOnSite() ? rows() : "";
    }

    /** What the address begins with at which a row is opened over the list, before its number. */
    public String opening() {
        return stand instanceof Stand.AllRows ? rows() + "/" : "";
    }

    /** What the address begins with that finds rows to narrow by, before the field. */
    public String picking() {
        return switch (stand) {
            case Stand.Published published -> stand.listing(listing) + "/pick/";
            case Stand.Proof proof -> stand.listing(listing) + "/pick/";
            case Stand.AllRows all -> stand.listing(listing) + "/narrow/";
            case Stand.AtDesk page -> "";
        };
    }

    /** That counts what one can narrow to. */
    public String valueCounts() {
        return switch (stand) {
            case Stand.Published published -> rows() + "/value-counts";
            case Stand.Proof proof -> rows() + "/value-counts";
            case Stand.AllRows all -> "";
            case Stand.AtDesk page -> "";
        };
    }

    /** The listing whose changes an open page hears of; {@code null}: it hears of none. */
    public @Nullable String live() {
        return isOnSite() ? listing.name() : null;
    }

    /** Where a form of the page is filled in about a row. */
    public String sending(String form, String field, RowId row) {
        return isOnSite() ? page() + "/send/" + form + "?v." + field + "=%23" + row : NOWHERE;
    }

    /** Whether it shows how rows are added, changed and removed. */
    public boolean isChangeable() {
        return stand instanceof Stand.Published || stand instanceof Stand.Proof;
    }

    /** Whether visitors get it here. */
    public boolean isOnSite() {
        return stand instanceof Stand.Published;
    }

    /** Where rows are added, changed and removed; in a proof nothing is. */
    public String changing(String way) {
        return isOnSite() ? rows() + way : NOWHERE;
    }

    /** Where changes of its rows are taken back. */
    public String undoing() {
        return stand.listing(listing) + "/undo";
    }

    /** Where all rows of a state are given as a file. */
    public String carried(TakeAway format, String query) {
        String address = takeAway() + "." + format.name().toLowerCase(Locale.ROOT) + query;
        return format == TakeAway.JSON ? address + (query.isEmpty() ? "?" : "&") + "rows=all" : address;
    }

    /** Where all rows of a state are as they are printed. */
    public String printed(String query) {
        return stand.listing(listing) + "/print" + query;
    }
}
