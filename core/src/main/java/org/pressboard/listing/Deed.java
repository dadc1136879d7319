package org.pressboard.listing;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.form.Stamp;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * A button that does one thing to a row: gives some of its fields values.
 *
 * @param when  to which rows it can be done
 * @param gives the fields and what each gets
 */
public record Deed(String label, Condition when, List<Stamp> gives) {

    public static final int LONGEST_LABEL = 60;
    private static final int KEY_LENGTH = 18;

    public Deed {
        gives = List.copyOf(gives);
        if (label.isBlank() || gives.isEmpty()) {
            throw new IllegalArgumentException("A button needs words and something to do");
        }
    }

    /** By which it is called for: another, when it does another thing or to other rows, so that nobody gets what they did not see. */
    public String key() {
        return UUID.nameUUIDFromBytes(toString().getBytes(StandardCharsets.UTF_8)).toString().substring(0, KEY_LENGTH).replace("-", "");
    }

    /** The fields that it sets. */
    public List<FieldKey> given() {
        return gives.stream().map(Stamp::field).toList();
    }

    /** The fields that it sets, and those that it takes something of. */
    public List<FieldKey> needed() {
        return Stream.concat(given().stream(), gives.stream().flatMap(stamp -> stamp.value() instanceof Operand.OfOpen(FieldKey of)
                ? Stream.of(of) : Stream.of())).distinct().toList();
    }

    /** Whether it can be done to rows of the table as it is: its fields may be of other kinds than they were. */
    boolean isOf(Tables tables, Table table) {
        return tables.canAsk(table, when) && gives.stream().allMatch(stamp -> tables.canHold(table, table.field(stamp.field()), stamp.value()));
    }

    /** Whether all that it needs is among these. */
    boolean isAmong(Predicate<FieldKey> fields) {
        return when.fields().stream().allMatch(fields) && needed().stream().allMatch(fields);
    }
}
