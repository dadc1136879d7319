package org.pressboard.sheet;

/**
 * Where a sheet stands.
 *
 * @param page     the address of the page it is on, which carries its state
 * @param rows     the address that answers with the sheet alone
 * @param takeAway the addresses of its take-away, without the ending; empty where none is offered
 */
public record Place(String page, String rows, String takeAway) {

    /** A listing on a published page. */
    public static Place onSite(String pageKey, String listingKey) {
        String rows = "/listings/" + listingKey + "/rows";
        return new Place("/" + pageKey, rows, rows);
    }

    /** A listing looked at from the desk. */
    public static Place atDesk(String page, String rows) {
        return new Place(page, rows, "");
    }
}
