package org.pressboard.listing;

/** The ways in which visitors may carry a listing away. */
public enum TakeAway {
    /** RFC 4180. */
    CSV,
    /** Office Open XML, with each value as what it is. */
    XLSX,
    JSON,
    /** Pages to print, as a file. */
    PDF,
    /** A view without anything that cannot be printed. */
    PRINT,
    /** As cells, to be put into a spreadsheet. */
    COPY;

    /** Whether it leaves as a file, however many rows there are. */
    public boolean isFile() {
        return this != PRINT && this != COPY;
    }
}
