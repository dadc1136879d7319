package org.pressboard.form;

import org.pressboard.condition.Operand;
import org.pressboard.value.FieldKey;

/** A field that is set when a row is sent, whatever anybody sends for it. */
public record Stamp(FieldKey field, Operand value) {
}
