package org.pressboard.editing;

import java.util.Collection;
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
    private final Rejections rejections;
    private final DSLContext sql;

    Approvals(RowEditing editing, Catalog catalog, Rejections rejections, DSLContext sql) {
        this.rejections = rejections;
        this.editing = editing;
        this.catalog = catalog;
        this.sql = sql;
    }

    /**
     * Lets those of the rows through that wait; of others, somebody has decided already.
     *
     * @return the act that did, and the rows; empty where none waits
     */
    @Transactional
    public Optional<Decided> letThrough(TableKey key, Collection<RowId> rows, Author author) {
        List<RowId> waiting = waiting(key, rows);
        if (waiting.isEmpty()) {
            return Optional.empty();
        }
        RowEditing.Outcome outcome = editing.changeAll(key, waiting, Map.of(field(key), Optional.of(Value.of(true))), author);
        return outcome instanceof RowEditing.Outcome.Done(Long act) && act != null ? Optional.of(new Decided(act, waiting)) : Optional.empty();
    }

    /**
     * Removes those of the rows that wait; they can be put back like after any removal. Those who sent them read why.
     *
     * @param called the row titles of the rows
     * @param words  why; empty: nobody says
     * @return the act that did, and the rows; empty where none waits
     * @throws ProblemsFound when rows refer to one of them
     */
    @Transactional
    public Optional<Decided> turnAway(TableKey key, Map<RowId, String> called, String words, Author author) {
        List<RowId> waiting = waiting(key, called.keySet());
        if (waiting.isEmpty()) {
            return Optional.empty();
        }
        Table table = catalog.tables().get(key);
        rejections.note(table, senders(table, waiting), called, words);
        return Optional.of(new Decided(editing.remove(key, waiting, author), waiting));
    }

    /** What was decided, by which act. */
    public record Decided(long act, List<RowId> rows) {
    }

    /** Which of the rows wait, kept from being decided by another at the same moment. */
    private List<RowId> waiting(TableKey key, Collection<RowId> rows) {
        Table table = catalog.tables().get(key);
        return sql.select(Hosted.ID).from(Hosted.name(table)).where(Hosted.oneOf(Hosted.ID, rows)
                .and(DSL.condition("not {0}", TableSql.column(table.field(field(key)))))).orderBy(Hosted.ID).forUpdate().fetch(Hosted.ID);
    }

    /** The e-mail addresses of those who sent the rows from a page; of whom it is not known, they are left out. */
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
