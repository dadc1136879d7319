package org.pressboard.schema;

import java.util.List;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.pressboard.source.Hosted;
import org.pressboard.table.FieldType;
import org.pressboard.table.Table;
import org.springframework.stereotype.Component;

/**
 * What is searched of a table's rows: its texts folded, in one column that a trigger of the database keeps (see
 * {@link org.pressboard.value.Folding}). All within the caller's transaction.
 */
@Component
class SearchTexts {

    private final DSLContext sql;

    SearchTexts(DSLContext sql) {
        this.sql = sql;
    }

    /** Keeps what the fields of the table say from the next change of a row on; an empty field says nothing. */
    void keep(Table table) {
        call("pressboard.make_searchable", table);
    }

    /** Stops, until it is kept again. */
    void pause(Table table) {
        sql.execute("drop trigger if exists keep_searched on {0}", Hosted.name(table));
    }

    /** Works it out anew for all rows. */
    void fill(Table table) {
        call("pressboard.fill_searched", table);
    }

    private void call(String function, Table table) {
        sql.fetch("select " + function + "({0}::regclass, {1}, {2})", DSL.inline(sql.render(Hosted.name(table))),
                columns(table, FieldType.Held.TEXT), columns(table, FieldType.Held.TEXTS));
    }

    private static Field<String[]> columns(Table table, FieldType.Held held) {
        List<String> names = table.searchable().stream().filter(field -> field.type().held() == held)
                .map(field -> field.key().name()).toList();
        return DSL.val(names.toArray(String[]::new));
    }

    /** Forgets how, when the table is no more. */
    void forget(String table) {
        sql.execute("drop function if exists {0}() cascade", DSL.name("pressboard", "search_text_of_" + table));
    }
}
