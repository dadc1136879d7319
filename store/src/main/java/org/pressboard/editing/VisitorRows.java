package org.pressboard.editing;

import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.Record1;
import org.jooq.Select;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.problem.Problem;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** What one visitor may do with rows that are named by their numbers, as the site's grants have it. */
record VisitorRows(DSLContext sql, PublishedSite site, Visitor visitor, Standpoint standpoint) {

    /** Those of which that is so, as far as the visitor sees what it asks about. */
    Set<RowId> among(Table table, Condition condition, Collection<RowId> rows) {
        return numbers(meeting(site.sight(visitor, table.key()), condition, rows));
    }

    /** Those of which a grant is, which looks at rows as they are. */
    Set<RowId> granted(Table table, Condition condition, Collection<RowId> rows) {
        return numbers(asking(table, condition, rows));
    }

    /** The statement that finds them. */
    Select<Record1<RowId>> asking(Table table, Condition condition, Collection<RowId> rows) {
        return meeting(Sight.whole(site.tables(), table.key()), condition, rows);
    }

    /** Those that the visitor sees. */
    Set<RowId> seen(Table table, Collection<RowId> rows) {
        return visitor.isStaff() ? Set.copyOf(rows)
                : among(table, site.sight(visitor, table.key()).asked(table.key()), rows);
    }

    private Select<Record1<RowId>> meeting(Sight sight, Condition condition, Collection<RowId> rows) {
        TableSql from = TableSql.of(sight, standpoint, Locale.ENGLISH);
        return sql.select(from.rowId()).from(from.asTable()).where(from.rowId().in(rows))
                .and(from.conditionRowByRow(condition));
    }

    private static Set<RowId> numbers(Select<Record1<RowId>> found) {
        return new HashSet<>(found.fetch(Record1::value1));
    }

    /** Those in which none of these fields is left out of what the visitor may do. */
    Set<RowId> open(Verb verb, Table table, Collection<FieldKey> fields, Collection<RowId> rows) {
        Set<RowId> open = new HashSet<>(rows);
        partly(verb, table.key()).forEach((field, in) -> {
            if (fields.contains(field) && !open.isEmpty()) {
                open.retainAll(granted(table, in, open));
            }
        });
        return open;
    }

    /** The fields given that are left out of what they may do with one of these rows, or with all rows. */
    Map<FieldKey, Problem> leftOut(Verb verb, Table table, Collection<FieldKey> given, Collection<RowId> rows) {
        Map<FieldKey, Problem> leftOut = new HashMap<>();
        partly(verb, table.key()).forEach((field, in) -> {
            if (given.contains(field) && (in.equals(Condition.NEVER)
                    || granted(table, in, rows).size() < new HashSet<>(rows).size())) {
                leftOut.put(field, Problem.of("not-granted.field", table.field(field).label()));
            }
        });
        return leftOut;
    }

    /** Who changes a value has to see it, for the answer would tell what it was. */
    private Map<FieldKey, Condition> partly(Verb verb, TableKey key) {
        Map<FieldKey, Condition> partly = new HashMap<>(site.partly(visitor, verb, key));
        if (verb == Verb.CHANGE) {
            site.partly(visitor, Verb.SEE, key).forEach((field, in) -> partly.merge(field, in, Condition::and));
        }
        partly.values().removeIf(Condition.ALWAYS::equals);
        return partly;
    }

    /** The rows that a value leads to. */
    static List<RowId> numbers(Value value) {
        return value.each().stream().map(each -> ((Value.Referred) each).row()).toList();
    }

    /** Nobody refers to a row that they do not see: whether there is one would be told by that. */
    Map<FieldKey, Problem> unseen(Table table, Map<FieldKey, Value> values) {
        Map<FieldKey, Problem> unseen = new HashMap<>();
        values.forEach((field, value) -> {
            Field of = table.field(field);
            if (of.type() instanceof Referring && !field.equals(table.owner()) && !visitor.isStaff()) {
                Table target = site.tables().target(of);
                List<RowId> wanted = numbers(value);
                if (seen(target, wanted).size() < new HashSet<>(wanted).size()) {
                    unseen.put(field, Problem.of("entry.no-such-row", target.label()));
                }
            }
        });
        return unseen;
    }
}
