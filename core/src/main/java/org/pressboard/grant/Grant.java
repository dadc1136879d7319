package org.pressboard.grant;

import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.pressboard.condition.Condition;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * Lets an audience do something with some rows of a table: their own, or those that meet a condition.
 *
 * @param own     only those that are the visitor's own
 * @param rows    which of all; of own rows, all
 * @param without the fields that are left out of what it lets do with them
 * @param letting those that {@linkplain Deciding decide who belongs to a group} and yet are not left out
 */
public record Grant(Audience audience, Verb verb, boolean own, Condition rows, Set<FieldKey> without, Set<FieldKey> letting) {

    public Grant {
        without = Set.copyOf(without);
        letting = Set.copyOf(letting);
    }

    /** For those rows that meet the condition. */
    public Grant(Audience audience, Verb verb, Condition rows) {
        this(audience, verb, false, rows, Set.of(), Set.of());
    }

    public static Grant ofOwn(Audience audience, Verb verb) {
        return new Grant(audience, verb, true, Condition.ALWAYS, Set.of(), Set.of());
    }

    /** The same with these fields left out, and no others. */
    public Grant leavingOut(Set<FieldKey> fields) {
        return new Grant(audience, verb, own, rows, fields, letting);
    }

    /** The same with these fields written although groups rest on them, and no others. */
    public Grant letting(Set<FieldKey> fields) {
        return new Grant(audience, verb, own, rows, without, fields);
    }

    /**
     * Whether the field of the table can be left out: one that has a column, but for that by which rows are addressed. What
     * is borrowed or put together is what is seen of the fields that it comes from.
     */
    public static boolean canLeaveOut(Table table, Field field) {
        return field.isColumn() && !field.key().equals(table.rowKey());
    }

    /** Lets everybody see every row. */
    public static Grant everyoneSeesAll() {
        return new Grant(Audience.EVERYONE, Verb.SEE, Condition.ALWAYS);
    }

    /**
     * The same for a table that may have lost fields that it asks about: it is for no row then. Nobody writes by it the fields
     * on which groups rest, but for those that it lets them.
     */
    Grant of(Tables tables, Table table, Set<FieldKey> deciding) {
        boolean isWhole = tables.canAsk(table, rows);
        boolean isWriting = verb == Verb.ADD || verb == Verb.CHANGE;
        Set<FieldKey> left = Stream.concat(without.stream(), deciding.stream().filter(field -> isWriting && !letting.contains(field)))
                .filter(field -> table.fields().find(field)
                .filter(each -> canLeaveOut(table, each)).isPresent()).collect(Collectors.toSet());
        return new Grant(audience, verb, own, isWhole ? rows : Condition.NEVER, left, letting);
    }
}
