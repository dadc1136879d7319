package org.pressboard.sheet.line;

import java.util.Set;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;

/** Single values that can be changed where they stand. */
public record InPlace(Set<FieldKey> fields, Set<RowId> rows) {
}
