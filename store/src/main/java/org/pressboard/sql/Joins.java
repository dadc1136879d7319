package org.pressboard.sql;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jooq.Condition;
import org.jooq.Context;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.impl.CustomQueryPart;
import org.jooq.impl.DSL;
import org.pressboard.source.Hosted;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;

/**
 * A table together with the rows that its references lead to, as far as a query turns out to need them: whatever
 * expression goes through a reference joins what it points to, once. Read when the query is rendered.
 */
final class Joins extends CustomQueryPart {

    private record Step(Place from, FieldKey through, boolean open) {
    }

    private record Join(Place to, Condition on) {
    }

    private final transient Map<Step, Join> joined;
    private final transient QueryPart root;

    /**
     * A table under the name that it has in a query.
     *
     * @param open whether it is no more than what all may see of its rows
     */
    record Place(Table table, String alias, boolean open) {

        Name source() {
            return open ? Hosted.open(table.key()) : Hosted.name(table);
        }

        Name column(String name) {
            return DSL.name(alias, name);
        }

        Name column(Name name) {
            return column(name.last());
        }
    }

    /** How rows of a table under that name are found: their number, and that they may be seen. */
    interface Meeting {

        Condition at(Place to);
    }

    Joins(QueryPart root) {
        this(root, new LinkedHashMap<>());
    }

    private Joins(QueryPart root, Map<Step, Join> joined) {
        this.root = root;
        this.joined = joined;
    }

    /** The same joins, also those to come, of other rows of the same table under the same name. */
    Joins over(QueryPart rows) {
        return new Joins(rows, joined);
    }

    /** Where a reference leads to; joined when it is not yet. */
    Place through(Place from, FieldKey reference, Table target, boolean open, Meeting meeting) {
        Step step = new Step(from, reference, open);
        Join known = joined.get(step);
        if (known == null) {
            Place to = new Place(target, ">" + (joined.size() + 1), open);
            Condition on = meeting.at(to);
            known = new Join(to, on);
            joined.put(step, known);
        }
        return known.to;
    }

    @Override
    public void accept(Context<?> context) {
        context.visit(root);
        joined.values().forEach(join -> context.sql(" left join ").visit(join.to.source()).sql(" as ")
                .visit(DSL.name(join.to.alias())).sql(" on (").visit(join.on).sql(")"));
    }
}
