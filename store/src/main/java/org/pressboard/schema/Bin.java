package org.pressboard.schema;

import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.KeptForm;
import org.pressboard.catalog.PageBin;
import org.pressboard.change.Once;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Removed fields, tables and pages, which can be put back for so long. */
@Component
public class Bin {

    /** So long is kept what was removed. */
    public static final Duration KEPT = Duration.ofDays(30);

    private static final Logger LOG = LoggerFactory.getLogger(Bin.class);

    private final DSLContext sql;
    private final Catalog catalog;
    private final PageBin pages;
    private final HostedTables hosted;
    private final Once once;

    Bin(DSLContext sql, Catalog catalog, PageBin pages, HostedTables hosted, Once once) {
        this.once = once;
        this.pages = pages;
        this.sql = sql;
        this.catalog = catalog;
        this.hosted = hosted;
    }

    /**
     * A field that was removed.
     *
     * @param act   the act that removed it
     * @param place where among the fields it stood
     */
    public record RemovedField(long id, long act, Field field, int place, String column, Instant since) {
    }

    /** The fields of the table in the bin, the last removed first. */
    @Transactional(readOnly = true)
    public List<RemovedField> fields(TableKey table) {
        return sql.fetch("select * from pressboard.removed_field where table_key = {0} order by id desc",
                DSL.val(table.name())).map(Bin::removed);
    }

    /** The tables in the bin, and since when. */
    public Map<Table, Instant> tables() {
        return catalog.removedTables();
    }

    private static RemovedField removed(Record found) {
        return new RemovedField(found.get("id", Long.class), found.get("act_id", Long.class),
                KeptForm.FIELD.read(found.get("field", JSONB.class).data()), found.get("place", Integer.class),
                found.get("column_name", String.class), found.get("removed_at", OffsetDateTime.class).toInstant());
    }

    /** Keeps the column of a field that is removed, under a name that no field has. */
    void keep(Table table, Field field, long act) {
        String column = "~" + act + "~" + field.key().name();
        hosted.binColumn(table, field, column);
        sql.execute("insert into pressboard.removed_field (table_key, column_name, field, place, act_id) "
                        + "values ({0}, {1}, {2}, {3}, {4})", DSL.val(table.key().name()), DSL.val(column),
                DSL.val(JSONB.valueOf(KeptForm.FIELD.write(field))), DSL.val(place(table, field)), DSL.val(act));
    }

    private static int place(Table table, Field field) {
        return table.fields().stream().map(Field::key).toList().indexOf(field.key());
    }

    /** The last removed field of that key. */
    Optional<RemovedField> find(TableKey table, FieldKey key) {
        return fields(table).stream().filter(removed -> removed.field().key().equals(key)).findFirst();
    }

    /** Gives the column its name back. */
    void restore(Table table, RemovedField removed) {
        hosted.restoreColumn(table, removed.field(), removed.column());
        sql.execute("delete from pressboard.removed_field where id = {0}", DSL.val(removed.id()));
    }

    /** Throws away for good what has been in the bin for long enough. */
    @Scheduled(cron = "0 17 3 * * *")
    @EventListener(ApplicationReadyEvent.class)
    public void emptyOnce() {
        once.every(Duration.ofMinutes(60), "bin", this::empty);
    }

    /** The same now, whoever has done it. */
    @Transactional
    public void empty() {
        Instant since = Instant.now().minus(KEPT);
        sql.fetch("delete from pressboard.removed_field where removed_at < {0} returning table_key, column_name",
                DSL.val(Timestamp.from(since))).forEach(found -> {
                    LOG.info("Threw away {}.{}", found.get(0), found.get(1));
                    hosted.dropBinned(new TableKey(found.get(0, String.class)), found.get(1, String.class));
                });
        catalog.removedTables().forEach((table, removed) -> {
            if (removed.isBefore(since)) {
                LOG.info("Threw away the table {}", table.key());
                forget(table.key());
            }
        });
        forgetPages(since);
    }

    private void forgetPages(Instant since) {
        pages.pages().forEach((page, removed) -> {
            if (removed.isBefore(since)) {
                LOG.info("Threw away the page {}", page.draft().key());
                pages.forget(page.draft().key());
            }
        });
    }

    /** Removes a table in the bin for good, with all that is remembered of it. */
    private void forget(TableKey table) {
        catalog.removeTable(table);
        hosted.dropBinned(table);
        forgetHistory(table);
    }

    void forgetHistory(TableKey table) {
        sql.execute("delete from pressboard.history where table_key = {0}", DSL.val(table.name()));
    }
}
