package org.pressboard.intake;

/** Which part of a date comes first. */
enum DateOrder {
    YEAR_FIRST, DAY_FIRST, MONTH_FIRST
}
