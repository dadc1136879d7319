package org.pressboard.listing;

import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;

/**
 * A button that opens a form of the page about a row, such as to sign up for a day or to vote for it.
 *
 * @param form the form, by its key
 * @param into the table that its rows go into
 * @param by   the question that this row is the answer to
 */
public record Sending(String form, TableKey into, FieldKey by, String label) {
}
