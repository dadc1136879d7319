package org.pressboard.undo;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.pressboard.catalog.Catalog;
import org.pressboard.change.ChangeFeed;
import org.pressboard.editing.RowEditing;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Author;
import org.pressboard.history.Entry;
import org.pressboard.history.RowHistory;
import org.pressboard.history.RowsBack;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.TableChanges;
import org.pressboard.sql.LongWork;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Takes acts back. That is an act too, so it can itself be taken back. What was changed by somebody else after the act is
 * left as it is now, and told.
 */
@Component
public class Undo {

    private static final int MOST_OF_A_ROW = 10_000;

    private final DSLContext sql;
    private final Catalog catalog;
    private final Acts acts;
    private final RowHistory history;
    private final RowsBack rows;
    private final RowEditing editing;
    private final TableChanges tables;
    private final ChangeFeed changes;

    Undo(DSLContext sql, Catalog catalog, Acts acts, RowHistory history, RowsBack rows, RowEditing editing, TableChanges tables,
            ChangeFeed changes) {
        this.sql = sql;
        this.catalog = catalog;
        this.acts = acts;
        this.history = history;
        this.rows = rows;
        this.editing = editing;
        this.tables = tables;
        this.changes = changes;
    }

    /**
     * What came of it.
     *
     * @param done how many rows are as they were before the act
     * @param left how many are not, for they were changed or removed since, or something stands against it
     */
    public record Undone(long done, long left) {
    }

    /**
     * How many of the rows that an act added or changed were changed since; those it added would be removed as they are
     * now.
     */
    @Transactional(readOnly = true)
    public long changedSince(TableKey key, long act) {
        return rows.changedSince(act);
    }

    /** @throws ProblemsFound when it was taken back already, or rows refer to what it added */
    @Transactional
    public Undone undo(TableKey key, long id, Author author) {
        Act act = acts.find(key, id).orElseThrow(() -> ProblemsFound.of("undo.gone"));
        if (act.isUndone()) {
            throw ProblemsFound.of("undo.done");
        }
        if (act.details().after() != null) {
            tables.undo(key, act, author);
            // such as the rows that had an option which was called otherwise then
            return new Undone(rows.setBack(catalog.table(key).orElseThrow(), id), 0);
        }
        if (act.what() == Act.What.TABLE_REMOVED) {
            tables.putBack(key, author);
            return new Undone(0, 0);
        }
        LongWork.begin(sql);
        sql.execute("set constraints all deferred");
        acts.undoing(act, author, key, Act.Details.of(act.details().name()));
        changes.changed();
        Tables all = catalog.tables();
        long done = 0;
        for (TableKey touched : rows.touched(id)) {
            done += all.find(touched).map(table -> rows.giveBack(table, id) + rows.setBack(table, id)).orElse(0L);
        }
        for (TableKey touched : rows.touched(id)) {
            done += all.find(touched).map(table -> rows.takeAway(table, id)).orElse(0L);
        }
        checkReferences(all, key);
        long wanted = act.rows().added() + act.rows().changed() + act.rows().removed();
        return new Undone(done, Math.max(0, wanted - done));
    }

    private void checkReferences(Tables all, TableKey key) {
        try {
            changes.checkNow();
        } catch (org.jooq.exception.DataAccessException | org.springframework.dao.DataAccessException broken) {
            throw ProblemsFound.of("undo.referred", all.find(key).map(Table::label).orElse(key.name()));
        }
    }

    /**
     * Puts one row back to what it was before something became of it, or back from the bin.
     *
     * @param before the entry of its history before which it was so
     */
    @Transactional
    public void putBack(TableKey key, RowId row, long before, Author author) {
        Table table = catalog.table(key).orElseThrow(() -> ProblemsFound.of("not-there.table"));
        Map<FieldKey, Optional<Value>> state = stateBefore(table, row, before);
        changes.changed();
        acts.begin(author, Act.What.PUT_BACK, key, Act.Details.of(""));
        if (editing.find(key, row).isEmpty()) {
            throw ProblemsFound.of("row.gone");
        }
        RowEditing.Outcome outcome = editing.give(table, row, state, author);
        if (outcome instanceof RowEditing.Outcome.Refused refused) {
            throw new ProblemsFound(RowEditing.named(table, refused.problems()));
        }
    }

    private Map<FieldKey, Optional<Value>> stateBefore(Table table, RowId row, long before) {
        Map<FieldKey, Optional<Value>> state = new HashMap<>();
        editing.find(table.key(), row).map(Row::values).orElse(Map.of())
                .forEach((field, value) -> state.put(field, Optional.of(value)));
        for (Entry entry : history.ofRow(table, row, MOST_OF_A_ROW)) {
            if (entry.id() < before) {
                break;
            }
            state.putAll(entry.before());
        }
        state.keySet().removeIf(field -> !table.fields().get(field).isEntered());
        return state;
    }

    /** Gives one row back that an act removed, and nothing else of what it removed. */
    @Transactional
    public void putBackRow(TableKey key, long act, RowId row, Author author) {
        Table table = catalog.table(key).orElseThrow(() -> ProblemsFound.of("not-there.table"));
        changes.changed();
        acts.begin(author, Act.What.PUT_BACK, key, Act.Details.of(""));
        try {
            if (rows.giveBack(table, act, row)) {
                return;
            }
        } catch (org.jooq.exception.DataAccessException | org.springframework.dao.DataAccessException broken) {
            throw ProblemsFound.of("undo.referred", table.label());
        }
        throw ProblemsFound.of("bin.gone");
    }
}
