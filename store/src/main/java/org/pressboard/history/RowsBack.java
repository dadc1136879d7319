package org.pressboard.history;

import java.util.ArrayList;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.impl.DSL;
import org.pressboard.source.Hosted;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Component;

/** Makes rows what they were before an act, by what was put down under it. All within the caller's transaction and act. */
@Component
public class RowsBack {

    private final DSLContext sql;

    RowsBack(DSLContext sql) {
        this.sql = sql;
    }

    /** How many of the rows that an act added were changed since. */
    public long changedSince(long act) {
        return sql.fetchSingle("""
                select count(distinct later.row_id) from pressboard.history own
                join pressboard.history later on later.table_key = own.table_key and later.id > own.id
                    and later.act_id <> own.act_id and later.verb = 'CHANGED'
                    and (later.row_id = own.row_id or own.rows @> later.row_id)
                where own.act_id = {0} and own.verb = 'ADDED'""", DSL.val(act)).get(0, Long.class);
    }

    /** The tables of whose rows an act did something. */
    public List<TableKey> touched(long act) {
        return sql.fetch("select distinct table_key from pressboard.history where act_id = {0}", DSL.val(act))
                .map(found -> new TableKey(found.get(0, String.class)));
    }

    /** Gives those back that an act removed and that are not there again; says how many. */
    public long giveBack(Table table, long act) {
        return giveBack(table, act, List.of(Hosted.CHANGED_AT, Hosted.CHANGED_BY), DSL.noCondition());
    }

    /** One of them only; whether it was given back. */
    public boolean giveBack(Table table, long act, RowId row) {
        return giveBack(table, act, List.of(), DSL.condition("h.row_id = {0}", DSL.val(row.number()))) > 0;
    }

    /**
     * Gives back those of the removed rows that are not there again, with their number, what is noted of how they came to be,
     * and these other notes.
     */
    private long giveBack(Table table, long act, List<Name> notes, Condition which) {
        List<QueryPart> columns = new ArrayList<>(List.of(Hosted.ROW, Hosted.ADDED_AT, Hosted.ADDED_BY, Hosted.SENDER, Hosted.FORM));
        columns.addAll(notes);
        table.entered().forEach(field -> columns.add(DSL.name(field.key().name())));
        return sql.execute("""
                insert into {0} ({1}) overriding system value select {4} from pressboard.history h,
                    jsonb_populate_record(null::{0}, h.before) as was
                where h.act_id = {2} and h.table_key = {3} and h.verb = 'REMOVED' and {5}
                    and not exists (select from {0} there where there.{6} = h.row_id)""", Hosted.name(table),
                DSL.list(columns), DSL.val(act), DSL.val(table.key().name()), DSL.list(ofWas(columns)), which, Hosted.ROW);
    }

    private static List<QueryPart> ofWas(List<QueryPart> columns) {
        return columns.stream().<QueryPart>map(column -> DSL.name(DSL.name("was"), (Name) column)).toList();
    }

    /** Gives rows what they had before an act changed them; field by field: what is not any more as the act left it stays. */
    public long setBack(Table table, long act) {
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
                update {0} kept set {6} = now(), {1}
                from pressboard.history h, jsonb_populate_record(null::{0}, h.before) as was
                where h.act_id = {2} and h.table_key = {3} and h.verb = 'CHANGED' and kept.{5} = h.row_id
                    and ({4})""", Hosted.name(table), DSL.list(sets), DSL.val(act), DSL.val(table.key().name()),
                DSL.or(changes.stream().map(part -> DSL.condition("{0}", part)).toList()), Hosted.ROW,
                Hosted.CHANGED_AT);
    }

    /** Removes those that an act added; says how many. */
    public long takeAway(Table table, long act) {
        return sql.execute("""
                delete from {0} kept using pressboard.history h
                where h.act_id = {1} and h.table_key = {2} and h.verb = 'ADDED'
                    and (kept.{3} = h.row_id or h.rows @> kept.{3})""", Hosted.name(table), DSL.val(act),
                DSL.val(table.key().name()), Hosted.ROW);
    }
}
