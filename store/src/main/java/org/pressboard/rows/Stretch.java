package org.pressboard.rows;

import java.util.ArrayList;
import java.util.List;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SortField;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.value.RowId;

/**
 * A part of an order that one index holds side by side.
 *
 * <p>Sorted by one field, the rows with a value are one stretch, found in the order of the field's index whichever way
 * it runs; those without are another behind it. So one index serves both directions with empty values last.
 *
 * @param rows  which rows it has
 * @param field what it is sorted by before the rows' numbers; null: by these alone
 * @param order how it is sorted in the direction read
 * @param down  whether numbers go down in the direction read
 */
record Stretch(TableSql table, Condition rows, @Nullable SortBy field, List<SortField<?>> order, boolean down) {

    /** The stretches of the query's order, in the direction read. */
    static List<Stretch> of(RowQuery query, TableSql table, boolean backwards) {
        return switch (query.order().size()) {
            case 0 -> List.of(byNumber(table, DSL.noCondition(), backwards));
            case 1 -> ofField(query.order().getFirst(), table, backwards);
            default -> List.of(new Stretch(table, DSL.noCondition(), null,
                    table.order(query.order(), query.isLastDescending()), query.isLastDescending()));
        };
    }

    /** The whole of the query's order, which no index need hold. */
    static Stretch all(RowQuery query, TableSql table) {
        SortBy field = query.order().size() == 1 ? query.order().getFirst() : null;
        return new Stretch(table, DSL.noCondition(), field, table.order(query.order(), query.isLastDescending()),
                query.isLastDescending());
    }

    /** Whether an order can be read backwards, and from any row of it. */
    static boolean canBeginAnywhere(RowQuery query) {
        return query.order().size() <= 1;
    }

    private static List<Stretch> ofField(SortBy sort, TableSql table, boolean backwards) {
        boolean down = sort.descending() != backwards;
        Field<?> field = table.sorted(sort.field());
        // no "nulls last" here: there are none, and the index could not be read backwards with it
        Stretch withValue = new Stretch(table, table.shown(sort.field()).isNotNull(), sort,
                List.of(down ? field.desc() : field.asc(), number(table, down)), down);
        Stretch without = byNumber(table, table.shown(sort.field()).isNull(), down);
        return backwards ? List.of(without, withValue) : List.of(withValue, without);
    }

    private static Stretch byNumber(TableSql table, Condition rows, boolean down) {
        return new Stretch(table, rows, null, List.of(number(table, down)), down);
    }

    private static SortField<RowId> number(TableSql table, boolean down) {
        return down ? table.rowId().desc() : table.rowId().asc();
    }

    boolean has(Anchor row) {
        return (row.value() != null) == (field != null);
    }

    /** The rows of the stretch that come behind that one in the direction read. */
    Condition behind(Anchor row) {
        Condition behind = field == null || row.value() == null
                ? down ? table.rowId().lt(row.rowId()) : table.rowId().gt(row.rowId())
                : DSL.condition(down ? "({0}, {1}) < ({2}, {3})" : "({0}, {1}) > ({2}, {3})",
                        table.sorted(field.field()), table.rowId(),
                        table.sorted(field.field(), row.value()), DSL.val(row.rowId(), Hosted.TYPE));
        return rows.and(behind);
    }

    /** What must be read of a row to mark it. */
    List<Field<?>> marking() {
        List<Field<?>> columns = new ArrayList<>(List.of(table.rowId()));
        if (field != null) {
            columns.add(table.shown(field.field()));
        }
        return columns;
    }

    /** The row that was read with what marks it. */
    Anchor marked(Record row) {
        return new Anchor(field == null ? null : ValueSql.fromColumn(row.get(1)), row.get(0, RowId.class));
    }
}
