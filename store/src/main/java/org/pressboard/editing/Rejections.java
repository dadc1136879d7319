package org.pressboard.editing;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.source.Hosted;
import org.pressboard.table.Table;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What people who sent rows read about those that were rejected: for a month, or until they have put it away. */
@Component
public class Rejections {

    private static final int MOST_AT_ONCE = 5;
    private static final String SINCE = "at > now() - interval '30 days'";

    private final DSLContext sql;

    Rejections(DSLContext sql) {
        this.sql = sql;
    }

    /**
     * A row that was rejected.
     *
     * @param called its row title; empty: it has none
     * @param words  why; empty: nobody said
     */
    public record Rejection(long number, String called, String words) {
    }

    /**
     * Notes that rows were rejected, within the caller's transaction.
     *
     * @param senders the e-mail address of who sent each; of others nothing is noted
     * @param called  the row title of each
     */
    @Transactional
    public void note(Table table, Map<RowId, String> senders, Map<RowId, String> called, String words) {
        sql.execute("delete from pressboard.rejection where not " + SINCE);
        senders.forEach((row, sender) -> sql.execute(
                "insert into pressboard.rejection (table_key, of_row, sender, called, words) values ({0}, {1}, {2}, {3}, {4})",
                DSL.val(table.key().name()), DSL.val(row.number()), DSL.val(sender), DSL.val(called.getOrDefault(row, "")), DSL.val(words)));
    }

    /** The rows of these tables that somebody sent, of each table the latest first; those that were put back since are not among them. */
    @Transactional(readOnly = true)
    public List<Rejection> of(String sender, Collection<Table> tables) {
        return tables.stream().flatMap(table -> of(sender, table)).limit(MOST_AT_ONCE).toList();
    }

    private Stream<Rejection> of(String sender, Table table) {
        return sql.fetch("select id, called, words from pressboard.rejection r where sender = {0} and table_key = {1} and " + SINCE
                + " and not exists (select from {2} where {3} = r.of_row) order by id desc limit {4}", DSL.val(sender),
                DSL.val(table.key().name()), Hosted.name(table), Hosted.ID, DSL.inline(MOST_AT_ONCE)).map(found -> new Rejection(
                found.get("id", Long.class), found.get("called", String.class), found.get("words", String.class))).stream();
    }

    /** Whoever sent it does not want to read it any more. */
    @Transactional
    public void putAway(long number, String sender) {
        sql.execute("delete from pressboard.rejection where id = {0} and sender = {1}", DSL.val(number), DSL.val(sender));
    }
}
