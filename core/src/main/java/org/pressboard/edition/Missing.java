package org.pressboard.edition;

import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/** Finds the fields that something on a page is about and that are gone from their tables. */
final class Missing {

    private final Tables tables;
    private final Map<TableKey, Set<FieldKey>> found = new TreeMap<>(Comparator.comparing(TableKey::name));

    private Missing(Tables tables) {
        this.tables = tables;
    }

    static Map<TableKey, Set<FieldKey>> from(Page page, Tables tables) {
        Missing missing = new Missing(tables);
        page.parts().forEach(part -> part.table().ifPresent(table -> missing.look(table, part.named())));
        return missing.found;
    }

    private void look(TableKey of, Set<FieldKey> named) {
        tables.find(of).ifPresent(table -> named.forEach(key -> look(table, key)));
    }

    /** A field of another table is gone, too, where a reference on the way to it is. */
    private void look(Table table, FieldKey key) {
        Optional<Table> at = Optional.of(table);
        for (FieldKey step : key.way()) {
            if (at.isEmpty()) {
                return;
            }
            Optional<Field> field = at.get().fields().find(step);
            if (field.isEmpty()) {
                found.computeIfAbsent(at.get().key(), any -> new LinkedHashSet<>()).add(step);
                return;
            }
            at = field.get().type() instanceof Referring referring ? tables.find(referring.to()) : Optional.empty();
        }
    }
}
