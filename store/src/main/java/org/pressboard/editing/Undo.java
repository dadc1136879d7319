package org.pressboard.editing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.change.ChangeFeed;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Author;
import org.pressboard.history.Entry;
import org.pressboard.history.RowHistory;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.TableChanges;
import org.pressboard.sql.LongWork;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
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
    private final RowEditing editing;
    private final TableChanges tables;
    private final ChangeFeed changes;

    Undo(DSLContext sql, Catalog catalog, Acts acts, RowHistory history, RowEditing editing, TableChanges tables,
            ChangeFeed changes) {
        this.sql = sql;
        this.catalog = catalog;
        this.acts = acts;
        this.history = history;
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
        return sql.fetchSingle("""
                select count(distinct later.row_id) from pressboard.history own
                join pressboard.history later on later.table_key = own.table_key and later.id > own.id
                    and later.act_id <> own.act_id and later.verb = 'CHANGED'
                    and (later.row_id = own.row_id or own.rows @> later.row_id)
                where own.act_id = {0} and own.verb = 'ADDED'""", DSL.val(act)).get(0, Long.class);
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
            return new Undone(putBackChanged(catalog.table(key).orElseThrow(), id), 0);
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
        for (TableKey touched : touched(id)) {
            done += all.find(touched).map(table -> putBackRemoved(table, id) + putBackChanged(table, id)).orElse(0L);
        }
        for (TableKey touched : touched(id)) {
            done += all.find(touched).map(table -> removeAdded(table, id)).orElse(0L);
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

    private List<TableKey> touched(long act) {
        return sql.fetch("select distinct table_key from pressboard.history where act_id = {0}", DSL.val(act))
                .map(found -> new TableKey(found.get(0, String.class)));
    }

    private long putBackRemoved(Table table, long act) {
        return putBackRemoved(table, act, List.of("changed_at", "changed_by"), DSL.noCondition());
    }

    /**
     * Gives back those of the removed rows that are not there again, with their number, what is noted of how they came to be,
     * and these other notes.
     */
    private long putBackRemoved(Table table, long act, List<String> notes, Condition which) {
        List<QueryPart> columns = new ArrayList<>();
        List.of(TableSql.ROW_ID, "added_at", "added_by", TableSql.SENDER, TableSql.FORM)
                .forEach(note -> columns.add(DSL.name(note)));
        notes.forEach(note -> columns.add(DSL.name(note)));
        table.entered().forEach(field -> columns.add(DSL.name(field.key().name())));
        return sql.execute("""
                insert into {0} ({1}) overriding system value select {4} from pressboard.history h,
                    jsonb_populate_record(null::{0}, h.before) as was
                where h.act_id = {2} and h.table_key = {3} and h.verb = 'REMOVED' and {5}
                    and not exists (select from {0} there where there.row_id = h.row_id)""", TableSql.name(table),
                DSL.list(columns), DSL.val(act), DSL.val(table.key().name()), DSL.list(ofWas(columns)), which);
    }

    private static List<QueryPart> ofWas(List<QueryPart> columns) {
        return columns.stream().<QueryPart>map(column -> DSL.name(DSL.name("was"), (Name) column)).toList();
    }

    /** Field by field: what is not any more as the act left it stays. */
    private long putBackChanged(Table table, long act) {
        List<QueryPart> sets = new ArrayList<>();
        List<QueryPart> changes = new ArrayList<>();
        for (Field field : table.entered()) {
            Name column = DSL.name(field.key().name());
            QueryPart isAsLeft = DSL.sql("(jsonb_exists(h.before, {0}) and to_jsonb(kept.*) -> {0} "
                    + "is not distinct from h.after -> {0})", DSL.inline(field.key().name()));
            sets.add(DSL.sql("{0} = case when {1} then was.{0} else kept.{0} end", column, isAsLeft));
            changes.add(isAsLeft);
        }
        if (sets.isEmpty()) {
            return 0;
        }
        return sql.execute("""
                update {0} kept set changed_at = now(), {1}
                from pressboard.history h, jsonb_populate_record(null::{0}, h.before) as was
                where h.act_id = {2} and h.table_key = {3} and h.verb = 'CHANGED' and kept.row_id = h.row_id
                    and ({4})""", TableSql.name(table), DSL.list(sets), DSL.val(act), DSL.val(table.key().name()),
                DSL.or(changes.stream().map(part -> DSL.condition("{0}", part)).toList()));
    }

    private long removeAdded(Table table, long act) {
        return sql.execute("""
                delete from {0} kept using pressboard.history h
                where h.act_id = {1} and h.table_key = {2} and h.verb = 'ADDED'
                    and (kept.row_id = h.row_id or h.rows @> kept.row_id)""", TableSql.name(table), DSL.val(act),
                DSL.val(table.key().name()));
    }

    /**
     * Puts one row back to what it was before something became of it, or back from the bin.
     *
     * @param before the entry of its history before which it was so
     */
    @Transactional
    public void putBack(TableKey key, long row, long before, Author author) {
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

    private Map<FieldKey, Optional<Value>> stateBefore(Table table, long row, long before) {
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
    public void putBackRow(TableKey key, long act, long row, Author author) {
        Table table = catalog.table(key).orElseThrow(() -> ProblemsFound.of("not-there.table"));
        changes.changed();
        acts.begin(author, Act.What.PUT_BACK, key, Act.Details.of(""));
        try {
            if (putBackRemoved(table, act, List.of(), DSL.condition("h.row_id = {0}", DSL.val(row))) > 0) {
                return;
            }
        } catch (org.jooq.exception.DataAccessException | org.springframework.dao.DataAccessException broken) {
            throw ProblemsFound.of("undo.referred", table.label());
        }
        throw ProblemsFound.of("bin.gone");
    }
}
