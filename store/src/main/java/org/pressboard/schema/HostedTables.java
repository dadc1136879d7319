package org.pressboard.schema;

import java.util.ArrayList;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;

/**
 * The physical tables of the owner's rows: one real table each, with readable column names, real foreign keys, and
 * triggers of its own that tell of changes and remember them. All within the caller's transaction.
 */
@Component
public class HostedTables {

    private final DSLContext sql;
    private final RowSecurity security;
    private final TallyUpkeep tallies;
    private final SearchTexts searching;
    private final LinkTables links;

    HostedTables(DSLContext sql, RowSecurity security, TallyUpkeep tallies, SearchTexts searching,
            LinkTables links) {
        this.sql = sql;
        this.security = security;
        this.tallies = tallies;
        this.searching = searching;
        this.links = links;
    }

    /** Makes the table, empty, with nobody granted anything. */
    public void create(Table table) {
        Name name = Hosted.name(table);
        List<Field<?>> columns = new ArrayList<>();
        columns.add(DSL.field(Hosted.ROW, SQLDataType.BIGINT.generatedByDefaultAsIdentity()));
        table.columns().forEach(field ->
                columns.add(DSL.field(DSL.name(field.key().name()), ValueSql.columnType(field.type()))));
        for (Name when : List.of(Hosted.ADDED_AT, Hosted.CHANGED_AT)) {
            columns.add(DSL.field(when, SQLDataType.TIMESTAMPWITHTIMEZONE.notNull()
                    .defaultValue(DSL.currentOffsetDateTime())));
        }
        for (Name text : List.of(Hosted.ADDED_BY, Hosted.CHANGED_BY, Hosted.SENDER, Hosted.FORM, Hosted.SEARCH_TEXT)) {
            columns.add(DSL.field(text, SQLDataType.CLOB));
        }
        sql.createTable(name).columns(columns).primaryKey(Hosted.ROW).execute();
        sql.execute("create index on {0} ({1}, {2}) where {1} is not null", name, Hosted.FORM,
                Hosted.SENDER);
        sql.execute("create index on {0} ({1}, {2}) where {1} is not null", name, Hosted.SENDER,
                Hosted.ROW);
        describe(table);
        security.begin(table);
        sql.fetch("select pressboard.watch({0}::regclass), pressboard.remember({0}::regclass)",
                DSL.inline(sql.render(name)));
        searching.keep(table);
        table.columns().forEach(field -> bind(table, field));
    }

    /** Adds the column of a field, empty. */
    void addColumn(Table table, org.pressboard.table.Field field) {
        sql.execute("alter table {0} add column {1} {2}", Hosted.name(table), column(field), typeOf(field));
        bind(table, field);
    }

    /** What the database itself sees to: that references lead somewhere, and that what is to differ does. */
    private void bind(Table table, org.pressboard.table.Field field) {
        if (field.isEntered()) {
            switch (field.type()) {
                case Referring.References references -> links.begin(table, field, references);
                case Referring referring -> addReference(table, field, referring);
                case Attached attached -> addFileIndex(table, field, attached);
                case Textual textual -> { }
                case Numeric numeric -> { }
                case Temporal temporal -> { }
                case FieldType.YesNo yesNo -> { }
                case Chosen chosen -> { }
            }
        }
        if (field.rules().unique()) {
            addUnique(table, field);
        }
    }

    /** By which it is found out who may see a file. */
    private void addFileIndex(Table table, org.pressboard.table.Field field, Attached attached) {
        Name index = DSL.name(IndexName.of(table, field.key(), "files"));
        if (attached.isSeveral()) {
            sql.execute("create index {0} on {1} using gin ({2})", index, Hosted.name(table), Hosted.contents(column(field)));
        } else {
            sql.execute("create index {0} on {1} (left({2}, 64))", index, Hosted.name(table), column(field));
        }
    }

    private void addReference(Table table, org.pressboard.table.Field field, Referring referring) {
        QueryPart then = DSL.keyword(switch (referring.onRemoval()) {
            case REFUSE -> "no action";
            case CLEAR -> "set null";
            case REMOVE_ALONG -> "cascade";
        });
        sql.execute("alter table {0} add constraint {1} foreign key ({2}) references {3} ({4}) on delete {5} "
                        + "deferrable initially immediate", Hosted.name(table), referenceName(table, field),
                column(field), Hosted.name(referring.to()), Hosted.ROW, then);
        sql.execute("create index {0} on {1} ({2})", DSL.name(IndexName.of(table, field.key(), "reference")),
                Hosted.name(table), column(field));
    }

    private static Name referenceName(Table table, org.pressboard.table.Field field) {
        return DSL.name(IndexName.of(table, field.key(), "leads_to"));
    }

    /** Says again what becomes of rows that refer to one that is removed. */
    void rebindReference(Table table, org.pressboard.table.Field field) {
        unbind(table, field);
        bind(table, field);
    }

    void addUnique(Table table, org.pressboard.table.Field field) {
        sql.execute("create unique index {0} on {1} ({2})", uniqueName(table, field), Hosted.name(table),
                column(field));
    }

    void dropUnique(Table table, org.pressboard.table.Field field) {
        sql.execute("drop index if exists {0}", Hosted.index(uniqueName(table, field).last()));
    }

    private static Name uniqueName(Table table, org.pressboard.table.Field field) {
        return DSL.name(IndexName.of(table, field.key(), "differs"));
    }

    /** Takes off what binds a column, before it goes into the bin. */
    private void unbind(Table table, org.pressboard.table.Field field) {
        if (field.type() instanceof Referring.References) {
            links.end(table, field);
            return;
        }
        sql.execute("alter table {0} drop constraint if exists {1}", Hosted.name(table), referenceName(table, field));
        for (String purpose : List.of("reference", "files")) {
            sql.execute("drop index if exists {0}",
                    Hosted.index(IndexName.of(table, field.key(), purpose)));
        }
        dropUnique(table, field);
    }

    /** Leaves the column and its values under another name, where no field is. */
    void binColumn(Table table, org.pressboard.table.Field field, String binName) {
        unbind(table, field);
        dropIndexes(table, field);
        sql.execute("alter table {0} rename column {1} to {2}", Hosted.name(table), column(field), DSL.name(binName));
    }

    /** Those that listings had made for it: under its name others will stand. */
    private void dropIndexes(Table table, org.pressboard.table.Field field) {
        sql.fetch("select i.indexrelid::regclass::text from pg_index i join pg_attribute a on a.attrelid = i.indrelid "
                        + "and a.attnum = any(i.indkey) where i.indrelid = {0}::regclass and a.attname = {1}",
                        DSL.inline(sql.render(Hosted.name(table))), DSL.inline(field.key().name()))
                .forEach(found -> sql.execute("drop index " + found.get(0, String.class)));
    }

    void restoreColumn(Table table, org.pressboard.table.Field field, String binName) {
        sql.execute("alter table {0} rename column {1} to {2}", Hosted.name(table), DSL.name(binName), column(field));
        bind(table, field);
    }

    void dropColumn(Table table, org.pressboard.table.Field field) {
        sql.execute("alter table {0} drop column {1}", Hosted.name(table), column(field));
    }

    void dropBinned(TableKey table, String binName) {
        sql.execute("alter table {0} drop column if exists {1}", Hosted.name(table),
                DSL.name(binName));
    }

    private static Name column(org.pressboard.table.Field field) {
        return DSL.name(field.key().name());
    }

    private static QueryPart typeOf(org.pressboard.table.Field field) {
        return DSL.sql(ValueSql.typeName(field.type()));
    }

    /** Says in the database, too, what the table is called. */
    public void describe(Table table) {
        sql.execute("comment on table {0} is {1}", Hosted.name(table), DSL.inline(table.label()));
    }

    /** Whether each row has a value in the field and no two have the same. */
    public boolean namesRows(Table table, FieldKey field) {
        Field<?> column = TableSql.column(table.field(field));
        return !sql.fetchExists(DSL.selectOne().from(Hosted.name(table)).groupBy(column)
                .having(DSL.count().gt(1).or(column.isNull())));
    }

    /** How many rows have a value in the field; of what is worked out from others, none is its own. */
    long filled(Table table, FieldKey field) {
        return !table.field(field).isEntered() ? 0 : sql.fetchSingle("select count({0}) from {1}",
                TableSql.column(table.field(field)), Hosted.name(table)).get(0, Long.class);
    }

    /** Gives all rows that have one text in a choice the other. */
    void rename(Table table, org.pressboard.table.Field field, String was, String is) {
        sql.execute(field.type().isSeveral()
                        ? "update {0} set {1} = array_replace({1}, {2}::text, {3}::text) where {2} = any({1})"
                        : "update {0} set {1} = {3} where {1} = {2}",
                Hosted.name(table), column(field), DSL.val(was), DSL.val(is));
    }

    /** Removes the table with all its rows for good. */
    public void drop(Table table) {
        tallies.stopOf(table);
        table.columns().stream().filter(field -> field.type() instanceof Referring.References)
                .forEach(field -> links.end(table, field));
        sql.execute("drop table {0} cascade", Hosted.name(table));
        searching.forget(table.key().name());
    }

    /** Puts the table where nobody asks it. */
    void bin(Table table) {
        tallies.stopOf(table);
        sql.execute("alter table {0} set schema {1}", Hosted.name(table), Hosted.binSchema());
    }

    void putBack(Table table) {
        sql.execute("alter table {0} set schema {1}", Hosted.binned(table.key()), Hosted.schemaName());
    }

    void dropBinned(TableKey table) {
        sql.execute("drop table if exists {0} cascade", Hosted.binned(table));
        searching.forget(table.name());
    }
}
