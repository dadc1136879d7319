package org.pressboard.rows;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;

/** What the rows have to which the references of a row lead, also of a row that is not kept yet, such as what a form is to add. */
@Component
public class ReferredValues {

    private final RowPicker picker;

    ReferredValues(RowPicker picker) {
        this.picker = picker;
    }

    /**
     * As far as somebody sees it.
     *
     * @param sight what they see, from the table of the row
     * @param row   what the row has
     * @param ways  each a reference of the row, and a field behind it
     * @return without those of which there is nothing to be seen
     */
    public Map<FieldKey, Value> of(Sight sight, Visitor visitor, Standpoint standpoint, Map<FieldKey, Value> row, Collection<FieldKey> ways) {
        Map<FieldKey, Value> found = new HashMap<>();
        ways.forEach(way -> find(sight, visitor, standpoint, row, way).ifPresent(value -> found.put(way, value)));
        return found;
    }

    /** Whoever may see it. */
    public Map<FieldKey, Value> of(Tables tables, Table table, Map<FieldKey, Value> row, Collection<FieldKey> ways) {
        return of(Sight.whole(tables, table.key()), Visitor.staff(""), Standpoint.NOBODY, row, ways);
    }

    private Optional<Value> find(Sight sight, Visitor visitor, Standpoint standpoint, Map<FieldKey, Value> row, FieldKey way) {
        FieldKey reference = way.way().getFirst();
        return way.isThrough() && row.get(reference) instanceof Value.Referred(var number, var called)
                && sight.table().fields().find(reference).isPresent()
                && sight.table().field(reference).type() instanceof Referring referring
                ? picker.value(sight.of(referring.to()).reaching(List.of(way.behind())), visitor, standpoint, way.behind(), number)
                : Optional.empty();
    }
}
