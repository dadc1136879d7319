package org.pressboard.history;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.ResultQuery;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.KeptForm;
import org.pressboard.table.TableKey;
import org.springframework.stereotype.Component;

/**
 * What was done to tables and their rows. Whoever changes rows begins an act in their transaction first; the triggers of
 * the tables put down what becomes of rows under it.
 */
@Component
public class Acts {

    private static final KeptForm<Act.Details> DETAILS = KeptForm.of("act", Act.Details.class);

    private static final String SELECT = """
            select a.id, a.at, a.account, a.who, a.origin, a.what, a.details, a.undoes, a.undone_by,
                coalesce((select sum(coalesce((select sum(upper(r) - lower(r)) from unnest(h.rows) r), 1))
                    from pressboard.history h where h.act_id = a.id and h.verb = 'ADDED'), 0)::bigint as added,
                (select count(*) from pressboard.history h where h.act_id = a.id and h.verb = 'CHANGED') as changed,
                (select count(*) from pressboard.history h where h.act_id = a.id and h.verb = 'REMOVED') as removed
            from pressboard.act a""";

    private final DSLContext sql;

    Acts(DSLContext sql) {
        this.sql = sql;
    }

    /** Begins an act: what the rest of the transaction changes is put down under it. */
    public long begin(Author author, Act.What what, @Nullable TableKey table, Act.Details details) {
        return begin(author, what, table, details, null);
    }

    /** The statement that begins an act, for those who send others with it; it answers with the act's number. */
    public ResultQuery<Record> beginning(Author author, Act.What what, TableKey table, Act.Details details) {
        return beginning(author, what, table, details, null);
    }

    private ResultQuery<Record> beginning(Author author, Act.What what, @Nullable TableKey table, Act.Details details,
            @Nullable Long undoes) {
        return sql.resultQuery("""
                with begun as (insert into pressboard.act (account, who, origin, what, table_key, details, undoes)
                    values ({0}, {1}, {2}, {3}, {4}, {5}, {6}) returning id)
                select id, set_config('pressboard.act', id::text, true) from begun""",
                DSL.val(author.account(), Long.class), DSL.val(author.who()), DSL.val(author.origin().name()),
                DSL.val(what.name()), DSL.val(table == null ? null : table.name(), String.class),
                DSL.val(JSONB.valueOf(DETAILS.write(details))), DSL.val(undoes, Long.class));
    }

    long begin(Author author, Act.What what, @Nullable TableKey table, Act.Details details, @Nullable Long undoes) {
        Long id = beginning(author, what, table, details, undoes).fetchSingle().get(0, Long.class);
        if (undoes != null) {
            sql.execute("update pressboard.act set undone_by = {0} where id = {1}", DSL.val(id), DSL.val(undoes));
        }
        return id;
    }

    /** Begins the act that takes another back. */
    public long undoing(Act act, Author author, TableKey table, Act.Details details) {
        return begin(author, Act.What.UNDONE, table, details, act.id());
    }

    public Optional<Act> find(TableKey table, long id) {
        return sql.fetchOptional("{0} where (a.table_key = {1} or exists (select from "
                        + "pressboard.history h where h.act_id = a.id and h.table_key = {1})) and a.id = {2}", DSL.sql(SELECT),
                DSL.val(table.name()), DSL.val(id)).map(Acts::act);
    }

    /** The latest acts on the table, the last first, from before that one if one is named. */
    public List<Act> latest(TableKey table, @Nullable Long before, int most) {
        return sql.fetch("{0} where (a.table_key = {1} or exists "
                        + "(select from pressboard.history h where h.act_id = a.id and h.table_key = {1})) and a.id < {2} "
                        + "order by a.id desc limit {3}", DSL.sql(SELECT), DSL.val(table.name()), DSL.val(before == null ? Long.MAX_VALUE : before), DSL.val(most))
                .map(Acts::act);
    }

    /** The acts of the last days that removed rows and were not taken back, the last first. */
    public List<Act> removals(TableKey table, Instant since, int most) {
        return sql.fetch("{0} where a.at > {2} and a.undone_by is null and exists "
                        + "(select from pressboard.history h where h.act_id = a.id and h.table_key = {1} and h.verb = 'REMOVED') "
                        + "order by a.id desc limit {3}", DSL.sql(SELECT), DSL.val(table.name()),
                DSL.val(Timestamp.from(since)), DSL.val(most)).map(Acts::act);
    }

    private static Act act(Record found) {
        return new Act(found.get("id", Long.class), found.get("at", OffsetDateTime.class).toInstant(),
                found.get("account", Long.class), found.get("who", String.class), Author.Origin.valueOf(found.get("origin", String.class)),
                Act.What.valueOf(found.get("what", String.class).toUpperCase(java.util.Locale.ROOT)),
                details(found.get("details", JSONB.class)), new Act.Rows(found.get("added", Long.class),
                found.get("changed", Long.class), found.get("removed", Long.class)), found.get("undoes", Long.class),
                found.get("undone_by", Long.class));
    }

    private static Act.Details details(JSONB json) {
        return json.data().equals("{}") ? Act.Details.of("") : DETAILS.read(json.data());
    }
}
