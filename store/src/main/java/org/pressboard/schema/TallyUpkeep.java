package org.pressboard.schema;

import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import org.jooq.DSLContext;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.conf.SettingsTools;
import org.jooq.conf.StatementType;
import org.jooq.impl.DSL;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.TallySql;
import org.pressboard.catalog.Catalog;
import org.pressboard.table.Computed;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.springframework.stereotype.Component;

/**
 * Keeps tallies up to date: each is a column of its table that a function of the database works out anew for the rows
 * whose referring rows change, in the same transaction. So a tally can be shown, sorted and searched by like any column,
 * and shows everybody the same. All within the caller's transaction.
 */
@Component
class TallyUpkeep {

    /** What the table is called in the expression of its tally. No table of an owner's is: their keys begin with letters. */
    static final Name OWN = DSL.name("_own");

    private final DSLContext sql;
    private final Catalog catalog;

    TallyUpkeep(DSLContext sql, Catalog catalog) {
        this.catalog = catalog;
        this.sql = sql;
    }

    /** Begins to keep a tally, whose column is there, and works it out for all rows. */
    void begin(Tables tables, Table table, org.pressboard.table.Field field) {
        Computed.Tally tally = (Computed.Tally) Objects.requireNonNull(field.computed());
        Table referring = tables.get(tally.table());
        Name function = DSL.name("pressboard", name(table, field));
        DSL.using(sql.configuration().derive(SettingsTools.clone(sql.settings())
                .withStatementType(StatementType.STATIC_STATEMENT))).execute("""
                create or replace function {0}(concerned bigint[]) returns void language plpgsql
                security definer set search_path = pg_catalog, pg_temp as $tally$
                #variable_conflict use_column
                declare was_quiet text := current_setting('pressboard.quiet', true);
                begin
                    perform 1 from {1} where {5} = any($1) order by {5} for no key update;
                    perform set_config('pressboard.quiet', 'on', true);
                    update {1} _kept set {2} = _worked.value from (
                        select {4}.{5}, {3} as value from {1} {4} where {4}.{5} = any($1)) _worked
                    where _kept.{5} = _worked.{5} and _kept.{2} is distinct from _worked.value;
                    perform set_config('pressboard.quiet', coalesce(was_quiet, ''), true);
                end $tally$""", function, Hosted.name(table), DSL.name(field.key().name()),
                expression(tables, field, tally), OWN, Hosted.ROW);
        sql.execute("revoke execute on function {0}(bigint[]) from public", function);
        watch(table, field, tally, referring);
        workOut(table, field);
    }

    /** Begins anew to keep those of all tables that go by the order of texts or choices, or of one of them. */
    void orderAnew(Tables tables, Predicate<Tables.Reference> which) {
        for (Table table : tables.all()) {
            table.columns().stream().filter(field -> field.computed() instanceof Computed.Tally tally && isByOrder(tally)
                    && which.test(new Tables.Reference(table, field))).forEach(field -> begin(tables, table, field));
        }
    }

    private static boolean isByOrder(Computed.Tally tally) {
        return tally.measure().isByOrder() || tally.measure() == Computed.Measure.LEAST
                || tally.measure() == Computed.Measure.GREATEST;
    }

    /** Works the tally out for all rows of its table. */
    void workOut(Table table, org.pressboard.table.Field field) {
        sql.fetch("select {0}((select array_agg({2}) from {1}))", DSL.name("pressboard", name(table, field)),
                Hosted.name(table), Hosted.ROW);
    }

    /** What the rows that refer to {@link #OWN} come to. */
    QueryPart expression(Tables tables, org.pressboard.table.Field field, Computed.Tally tally) {
        Table referring = tables.get(tally.table());
        TableSql from = TableSql.byClock(tables, referring, catalog.site().language());
        return new TallySql(OWN, referring, DSL.name(referring.key().name()), from.condition(tally.where()), from.collation())
                .of(field, tally);
    }

    /** Rows that refer are added, changed or removed; rows referred to are added, or their floor changes. */
    private void watch(Table table, org.pressboard.table.Field field, Computed.Tally tally, Table referring) {
        Name by = DSL.name(tally.by().name());
        trigger(table, field, referring, "added", "insert", "referencing new table as became",
                DSL.sql("select {0} as concerned from became", by));
        trigger(table, field, referring, "altered", "update", "referencing old table as was new table as became",
                DSL.sql("select unnest(array[was.{0}, became.{0}]) as concerned from was join became using ({1}) "
                        + "where to_jsonb(was.*) is distinct from to_jsonb(became.*)", by, Hosted.ROW));
        trigger(table, field, referring, "removed", "delete", "referencing old table as was",
                DSL.sql("select {0} as concerned from was", by));
        trigger(table, field, table, "begun", "insert", "referencing new table as became",
                DSL.sql("select {0} as concerned from became", Hosted.ROW));
        if (!tally.uses().isEmpty()) {
            List<org.jooq.Condition> differ = tally.uses().stream().map(used ->
                    DSL.condition("was.{0} is distinct from became.{0}", DSL.name(used.name()))).toList();
            trigger(table, field, table, "floored", "update", "referencing old table as was new table as became",
                    DSL.sql("select {1} as concerned from was join became using ({1}) where {0}", DSL.or(differ), Hosted.ROW));
        }
    }

    private void trigger(Table table, org.pressboard.table.Field field, Table on, String when, String event,
            String transition, QueryPart concerned) {
        Name function = DSL.name("pressboard", name(table, field) + "_" + when);
        sql.execute("""
                create or replace function {0}() returns trigger language plpgsql
                security definer set search_path = pg_catalog, pg_temp as $tally$
                #variable_conflict use_column
                declare touched bigint[];
                begin
                    select array_agg(distinct concerned) into touched from ({1}) _some where concerned is not null;
                    if touched is not null then
                        perform {2}(touched);
                    end if;
                    return null;
                end $tally$""", function, concerned, DSL.name("pressboard", name(table, field)));
        sql.execute("revoke execute on function {0}() from public", function);
        sql.execute("create or replace trigger {0} after {1} on {2} {3} for each statement execute function {4}()",
                DSL.name(name(table, field) + "_" + when), DSL.keyword(event), Hosted.name(on),
                DSL.keyword(transition), function);
    }

    /** Stops keeping a tally; its column is left as it is. */
    void end(Table table, org.pressboard.table.Field field) {
        for (String when : new String[] {"_added", "_altered", "_removed", "_begun", "_floored"}) {
            sql.execute("drop function if exists {0}() cascade", DSL.name("pressboard", name(table, field) + when));
        }
        sql.execute("drop function if exists {0}(bigint[])", DSL.name("pressboard", name(table, field)));
    }

    /** Stops keeping all tallies of a table. */
    void stopOf(Table table) {
        table.columns().stream().filter(field -> field.computed() instanceof Computed.Tally)
                .forEach(field -> end(table, field));
    }

    private static String name(Table table, org.pressboard.table.Field field) {
        return IndexName.of(table, field.key(), "tally");
    }
}
