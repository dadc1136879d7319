package org.pressboard.sheet.line;

import java.util.Set;
import org.pressboard.stand.Addresses;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;

/** Single values that can be changed where they stand. */
public record InPlace(Set<FieldKey> fields, Set<RowId> rows) {

    /** Where the value is changed; empty: it is not, from where it stands. */
    public String address(Addresses of, RowId row, FieldKey field) {
        return rows.contains(row) && fields.contains(field) ? of.rows() + "/" + row + "/value/" + field : "";
    }
}
