package org.pressboard.desk.bench;

import java.util.List;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * A field of the rows to which a question of a form leads.
 *
 * @param way the question's field and that one
 */
record Led(FieldKey way, String label, Field of) {

    /** All of those to which the table's rows lead. */
    static List<Led> of(Tables tables, Table table) {
        return table.entered().stream().filter(field -> field.type() instanceof Referring && !field.type().isSeveral())
                .flatMap(field -> tables.target(field).fields().stream().map(of -> new Led(field.key().through(of.key()),
                        field.label() + ": " + of.label(), of))).toList();
    }

    boolean isNumber() {
        return of.type() instanceof Numeric;
    }

    /** Whether the other can have what this has, whatever that is. */
    boolean fits(Field other) {
        FieldType type = of.type();
        boolean isJustSo = type instanceof Chosen || type instanceof Referring || type instanceof Numeric.Money;
        return !(type instanceof Attached) && (isJustSo ? type.equals(other.type())
                : type.getClass().equals(other.type().getClass()));
    }
}
