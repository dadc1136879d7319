package org.pressboard.listing;

/** The formats in which visitors may carry a listing away. */
public enum TakeAway {
    /** RFC 4180. */
    CSV,
    /** Office Open XML, with each value as what it is. */
    XLSX,
    JSON
}
