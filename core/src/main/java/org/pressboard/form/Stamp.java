package org.pressboard.form;

import org.pressboard.condition.Operand;
import org.pressboard.value.FieldKey;

/** A field that is set when a row is sent or something is done to it, whatever anybody sends for it; see {@link org.pressboard.table.Field#given}. */
public record Stamp(FieldKey field, Operand value) {
}
