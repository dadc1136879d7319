package org.pressboard.bulk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Set;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.edition.PageKey;
import org.pressboard.files.Files;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Author;
import org.pressboard.intake.Plan;
import org.pressboard.intake.RecordReader;
import org.pressboard.intake.Survey;
import org.pressboard.schema.HostedTables;
import org.pressboard.source.Hosted;
import org.pressboard.sql.LongWork;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.springframework.stereotype.Component;

/** Loads a surveyed file as planned: table, rows, listing and draft page. */
@Component
class IntakeLoad {

    private final IntakeFiles files;
    private final Catalog catalog;
    private final Drafts drafts;
    private final HostedTables tables;
    private final References references;
    private final Files attachments;
    private final Acts acts;
    private final DSLContext sql;

    IntakeLoad(IntakeFiles files, Catalog catalog, Drafts drafts, HostedTables tables, References references, Files attachments,
            Acts acts, DSLContext sql) {
        this.files = files;
        this.catalog = catalog;
        this.drafts = drafts;
        this.tables = tables;
        this.references = references;
        this.attachments = attachments;
        this.acts = acts;
        this.sql = sql;
    }

    /** What a file has become. */
    record Loaded(Table table, PageKey page, long rows, long aside) {
    }

    /** Within the transaction of whoever loads. */
    Loaded load(Intake intake, Survey survey, Plan plan, Author author, TableLoad.Progress told) {
        UUID id = intake.id();
        LongWork.begin(sql);
        waitForThoseOfTheSameName(plan.label());
        Table table = new Table(TableKey.from(plan.label(), catalog.tableKeys()), plan.label().strip(),
                plan.fields(survey, catalog.tables().people().orElse(null)));
        acts.begin(author.from(Author.Origin.FILE), Act.What.FILE_IN, table.key(), Act.Details.of(intake.fileName()));
        BesideFile beside = references.beside(id);
        beside.prepare(files.content(id), survey, plan);
        tables.create(table);
        catalog.addTable(table);
        TableLoad load = new TableLoad(sql, table, id);
        try (RecordReader reader = RecordReader.open(files.content(id), survey, plan, beside)) {
            load.load(reader, told);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        attachments.use(table.key(), beside.used());
        sql.execute("analyze {0}", Hosted.name(table));
        PageKey page = drafts.begin(table, table.label(), field -> tables.namesRows(table, field)).key();
        return new Loaded(table, page, load.rowsLoaded(), load.rowsAside());
    }

    /** Two that would take the same name at once would not see each other's. */
    private void waitForThoseOfTheSameName(String label) {
        String name = TableKey.from(label, Set.of()).name().replaceAll("_\\d+$", "");
        sql.fetch("select pg_advisory_xact_lock(hashtext({0}))", DSL.val("pressboard table " + name));
    }
}
