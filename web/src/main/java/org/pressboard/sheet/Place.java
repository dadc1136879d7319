package org.pressboard.sheet;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.TakeAway;

/**
 * Where a sheet stands.
 *
 * @param page     the address of the page it is on, which carries its state
 * @param rows     the address that answers with the sheet alone
 * @param opening  what the address of an opened row begins with, before its number; empty where none can be opened
 * @param picking  what the address that finds rows to narrow by begins with, before the field; empty: there is none
 * @param takeAway the addresses of its take-away, without the ending; empty where none is offered
 * @param valueCounts  the address that counts what one can narrow to; empty: nobody counts
 */
public record Place(String page, String rows, String takeAway, String opening, String picking, String valueCounts) {

    private static final String DRAFTS = "/desk/pages/";

    /** The listing whose changes an open page hears of; {@code null}: it hears of none. */
    public @Nullable String live() {
        return isOnSite() ? rows.substring("/listings/".length(), rows.length() - "/rows".length()) : null;
    }

    /** What the addresses of rows begin with that are read whole, before their keys; a draft's at the desk are in its proof. */
    String read() {
        return page.startsWith(DRAFTS) ? "/desk/proof/" + page.substring(DRAFTS.length()) : page;
    }

    /** Where a form of the page is filled in about a row. */
    String sending(String form, String field, long row) {
        return isOnSite() ? page + "/send/" + form + "?v." + field + "=%23" + row : NOWHERE;
    }

    /** An address that leads nowhere else. */
    public static final String NOWHERE = "#nothing-changes-in-a-proof";

    /** A listing on a published page. */
    public static Place onSite(String pageKey, String listingKey) {
        String rows = "/listings/" + listingKey + "/rows";
        return new Place("/" + pageKey, rows, rows, "", "/listings/" + listingKey + "/pick/", rows + "/value-counts");
    }

    /** Whether it shows how rows are added, changed and removed. */
    boolean isChangeable() {
        return isOnSite() || isProof();
    }

    boolean isOnSite() {
        return rows.startsWith("/listings/");
    }

    private boolean isProof() {
        return !rows.isEmpty() && valueCounts.startsWith("/desk/");
    }

    /** Where rows are added, changed and removed; in a proof nothing is. */
    String changing(String way) {
        return isOnSite() ? rows + way : NOWHERE;
    }

    /** Where all rows of a state are given as a file. */
    public String carried(TakeAway format, String query) {
        String address = takeAway + "." + format.name().toLowerCase(Locale.ROOT) + query;
        return format == TakeAway.JSON ? address + (query.isEmpty() ? "?" : "&") + "rows=all" : address;
    }

    /** Where all rows of a state are as they are printed. */
    public String printed(String query) {
        return takeAway.replaceFirst("/rows$", "/print") + query;
    }

    /** A listing looked at from the desk. */
    public static Place atDesk(String page, String rows) {
        return new Place(page, rows, "", "", "", "");
    }

    /** The same where rows can be opened, and picked to do something with several. */
    public Place opening(String address, String pickingAddress) {
        return new Place(page, rows, takeAway, address, pickingAddress, valueCounts);
    }
}
