package org.pressboard.schema;

import org.jooq.DSLContext;
import org.jooq.Name;
import org.jooq.impl.DSL;
import org.pressboard.source.Hosted;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.springframework.stereotype.Component;

/**
 * Sees to it that fields with several references lead somewhere. Their rows' numbers stand in one column, in their order;
 * a table of links beside it, which triggers keep, has the foreign keys that a column of several cannot have. All within
 * the caller's transaction.
 */
@Component
class LinkTables {

    private final DSLContext sql;

    LinkTables(DSLContext sql) {
        this.sql = sql;
    }

    /** Binds the column of a field; what leads nowhere any more is left out of it. */
    void begin(Table table, Field field, Referring type) {
        Name links = name(table, field);
        Name target = Hosted.name(type.to());
        Name column = DSL.name(field.key().name());
        sql.execute("create table {0} ({5} bigint not null references {1} on delete cascade, "
                + "refers_to bigint not null, primary key ({5}, refers_to), constraint {2} foreign key (refers_to) "
                + "references {3} on delete {4} deferrable initially immediate)", links, Hosted.name(table),
                DSL.name(IndexName.of(table, field.key(), "leads_to")), target, DSL.keyword(onDelete(type)), Hosted.ROW);
        sql.execute("create index on {0} (refers_to)", links);
        sql.execute("create index {0} on {1} using gin ({2})", DSL.name(IndexName.of(table, field.key(), "reference")),
                Hosted.name(table), column);
        sql.execute("update {0} kept set {1} = (select nullif(array_agg(row order by place), '{}') from unnest({1}) "
                + "with ordinality each (row, place) where exists (select from {2} there where there.{3} = each.row)) "
                + "where {1} is not null and not {1} <@ array(select {3} from {2})", Hosted.name(table), column, target,
                Hosted.ROW);
        sql.execute("insert into {0} select distinct {3}, unnest({1}) from {2}", links, column, Hosted.name(table), Hosted.ROW);
        follow(table, field, links, column);
        answerRemoval(table, field, type, links, column);
    }

    private static String onDelete(Referring type) {
        return type.onRemoval() == Referring.OnRemoval.REFUSE ? "no action" : "cascade";
    }

    /** The links follow the column. */
    private void follow(Table table, Field field, Name links, Name column) {
        Name function = function(table, field, "links");
        sql.execute("""
                create or replace function {0}() returns trigger language plpgsql
                security definer set search_path = pg_catalog, pg_temp as $links$
                begin
                    if tg_op = 'UPDATE' then
                        if new.{1} is not distinct from old.{1} then
                            return null;
                        end if;
                        delete from {2} gone where gone.{3} = new.{3}
                            and not gone.refers_to = any(coalesce(new.{1}, array[]::bigint[]));
                    end if;
                    insert into {2} select new.{3}, one from unnest(new.{1}) one
                    where tg_op = 'INSERT' or not one = any(coalesce(old.{1}, array[]::bigint[]))
                    on conflict do nothing;
                    return null;
                end $links$""", function, column, links, Hosted.ROW);
        sql.execute("revoke execute on function {0}() from public", function);
        sql.execute("create or replace trigger {0} after insert or update on {1} for each row execute function {2}()",
                DSL.name(function.last()), Hosted.name(table), function);
    }

    /** When a row that is referred to is removed and that is not refused, the column follows the links. */
    private void answerRemoval(Table table, Field field, Referring type, Name links, Name column) {
        if (type.onRemoval() == Referring.OnRemoval.REFUSE) {
            return;
        }
        Name function = function(table, field, "unlinks");
        String answer = type.onRemoval() == Referring.OnRemoval.CLEAR
                ? "update {1} kept set {2} = nullif(array_remove(kept.{2}, old.refers_to), array[]::bigint[])"
                : "delete from {1} kept";
        sql.execute("create or replace function {0}() returns trigger language plpgsql\n"
                + "security definer set search_path = pg_catalog, pg_temp as $links$\nbegin\n" + answer
                + " where kept.{3} = old.{3} and old.refers_to = any(kept.{2});\nreturn null;\nend $links$",
                function, Hosted.name(table), column, Hosted.ROW);
        sql.execute("revoke execute on function {0}() from public", function);
        sql.execute("create trigger {0} after delete on {1} for each row execute function {2}()",
                DSL.name(function.last()), links, function);
    }

    /** Leaves the column as it is, bound to nothing. */
    void end(Table table, Field field) {
        sql.execute("drop table if exists {0}", name(table, field));
        for (String purpose : new String[] {"links", "unlinks"}) {
            sql.execute("drop function if exists {0}() cascade", function(table, field, purpose));
        }
        sql.execute("drop index if exists {0}",
                Hosted.index(IndexName.of(table, field.key(), "reference")));
    }

    private static Name name(Table table, Field field) {
        return Hosted.links(IndexName.of(table, field.key(), "links"));
    }

    private static Name function(Table table, Field field, String purpose) {
        return DSL.name("pressboard", IndexName.of(table, field.key(), purpose));
    }
}
