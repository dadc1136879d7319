package org.pressboard.editing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.history.Author;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Lets rows through that wait for it, or turns them away. For those who may do everything. */
@Component
public class Approvals {

    private final RowEditing editing;
    private final Catalog catalog;
    private final DSLContext sql;

    Approvals(RowEditing editing, Catalog catalog, DSLContext sql) {
        this.editing = editing;
        this.catalog = catalog;
        this.sql = sql;
    }

    /**
     * @return the act that did; empty where the row was let through already
     * @throws ProblemsFound when the row is there no more
     */
    @Transactional
    public Optional<Long> letThrough(TableKey key, RowId row, Author author) {
        FieldKey by = field(key);
        RowEditing.Outcome outcome = editing.change(key, row, Map.of(by, Optional.of(Value.of(false))),
                Map.of(by, Optional.of(Value.of(true))), author);
        return outcome instanceof RowEditing.Outcome.Done done ? Optional.ofNullable(done.act()) : Optional.empty();
    }

    /**
     * Removes a row that waits; it can be taken back like any removal.
     *
     * @throws ProblemsFound when it waits no more, or rows refer to it
     */
    @Transactional
    public long turnAway(TableKey key, RowId row, Author author) {
        Table table = catalog.tables().get(key);
        boolean waits = sql.fetchExists(DSL.selectOne().from(Hosted.name(table))
                .where(Hosted.ID.eq(row).and(DSL.condition("not {0}", TableSql.column(table.field(field(key)))))));
        if (!waits) {
            throw ProblemsFound.of("row.waits-no-more");
        }
        return editing.remove(key, List.of(row), author);
    }

    /** The e-mail address of whoever sent the row from a page, where that is known. */
    @Transactional(readOnly = true)
    public Optional<String> sender(TableKey key, RowId row) {
        return Optional.ofNullable(senders(catalog.tables().get(key), List.of(row)).get(row));
    }

    /** The same of several rows of the table; those of whom it is not known are left out. */
    @Transactional(readOnly = true)
    public Map<RowId, String> senders(Table table, List<RowId> rows) {
        Map<RowId, String> senders = new HashMap<>();
        sql.select(Hosted.ID, DSL.field(Hosted.SENDER, String.class)).from(Hosted.name(table))
                .where(Hosted.ID.in(rows)).and("{0} like '%@%'", Hosted.SENDER)
                .forEach(found -> senders.put(found.value1(), found.value2()));
        return senders;
    }

    private FieldKey field(TableKey key) {
        return catalog.tables().get(key).letThrough().orElseThrow(() -> ProblemsFound.of("row.waits-no-more"));
    }
}
