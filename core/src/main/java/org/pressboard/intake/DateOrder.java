package org.pressboard.intake;

/** How the parts of a date are told apart: by which comes first, or by the month that is a word. */
enum DateOrder {
    YEAR_FIRST, DAY_FIRST, MONTH_FIRST, MONTH_NAMED
}
