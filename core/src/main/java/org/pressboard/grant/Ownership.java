package org.pressboard.grant;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;

/** By what rows of a table are somebody's own: a field that leads to a member, or has their e-mail address. */
public final class Ownership {

    private static final int MOST_STEPS = 3;

    private Ownership() {
    }

    /** The fields by which rows of the table could be somebody's own, those of other tables through references. */
    public static List<FieldKey> ways(Tables tables, Table table) {
        List<FieldKey> ways = new ArrayList<>();
        ways(tables, table, null, 1, ways);
        return ways;
    }

    private static void ways(Tables tables, Table table, @Nullable FieldKey before, int steps,
            List<FieldKey> ways) {
        for (Field field : table.fields()) {
            if (leadsToMember(tables, field)) {
                ways.add(behind(before, field));
            }
        }
        for (Field field : table.fields()) {
            boolean isWay = field.isEntered() && field.type() instanceof Referring && !field.type().isSeveral()
                    && !leadsToMember(tables, field);
            if (isWay && steps < MOST_STEPS) {
                tables.find(((Referring) field.type()).to())
                        .ifPresent(target -> ways(tables, target, behind(before, field), steps + 1, ways));
            }
        }
    }

    private static FieldKey behind(@Nullable FieldKey before, Field field) {
        return before == null ? field.key() : before.through(field.key());
    }

    private static boolean leadsToMember(Tables tables, Field field) {
        Optional<TableKey> people = tables.people();
        return field.isEntered() && (field.type() instanceof Textual.Email
                || (field.type() instanceof Referring referring && people.filter(referring.to()::equals).isPresent()));
    }

    /** That a row of the table is the visitor's own; never where nothing says what makes it so. */
    static Condition of(Tables tables, Table table) {
        Optional<FieldKey> by = by(tables, table);
        if (!table.browsers()) {
            return by.<Condition>map(Condition.Owned::new).orElse(Condition.NEVER);
        }
        return by.<Condition>map(field -> new Condition.Any(List.of(new Condition.Owned(field), new Condition.Sent())))
                .orElseGet(Condition.Sent::new);
    }

    /** The field by which rows of the table are members' own, where one is. */
    public static Optional<FieldKey> by(Tables tables, Table table) {
        return Optional.ofNullable(table.owner() == null ? table.people() : table.owner()).filter(ways(tables, table)::contains);
    }
}
