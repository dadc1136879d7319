package org.pressboard.schema;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.Select;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.history.Author;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Whether what rows are called tells them apart, and what would. */
@Component
public class RowTitles {

    /** So many rows are looked at; more would be waited for. */
    private static final int LOOKED_AT = 10_000;

    private static final int MOST_TRIED = 8;
    private static final int MOST_PARTS = 3;

    private final DSLContext sql;
    private final Catalog catalog;
    private final TableChanges changes;

    RowTitles(DSLContext sql, Catalog catalog, TableChanges changes) {
        this.sql = sql;
        this.catalog = catalog;
        this.changes = changes;
    }

    /**
     * What several rows are called.
     *
     * @param example one such text, that of the most rows
     * @param times   how many of those looked at are called so
     * @param apart   fields that together tell them apart, or nearly so; that by which they are called now is the first
     */
    public record Repeating(String example, long times, List<Field> apart) {
    }

    /** Where rows are known by the first text, and several by the same; empty, too, where no other field could help. */
    @Transactional(readOnly = true)
    public Optional<Repeating> repeating(Table table) {
        Field heading = table.headingField().filter(field -> table.heading() == null && field.isEntered()
                && field.type() instanceof Textual.Text).orElse(null);
        if (heading == null) {
            return Optional.empty();
        }
        List<Field> others = table.entered().stream().filter(field -> !field.equals(heading) && canTell(field)).limit(MOST_TRIED).toList();
        return others.isEmpty() ? Optional.empty() : most(table, heading).map(found -> new Repeating(
                found.get(0, String.class), found.get(1, Long.class), apart(table, heading, others)));
    }

    private static boolean canTell(Field field) {
        return switch (field.type()) {
            case Textual.LongText text -> false;
            case Textual.FormattedText text -> false;
            case Textual text -> true;
            case Chosen.Choice choice -> true;
            case Chosen.Choices choices -> false;
            case Referring referring -> !referring.isSeveral();
            case Temporal temporal -> true;
            case Numeric numeric -> true;
            case org.pressboard.table.FieldType.YesNo yesNo -> false;
            case Attached attached -> false;
        };
    }

    private Optional<Record> most(Table table, Field heading) {
        org.jooq.Field<String> text = DSL.field(DSL.name("looked", "c0"), String.class);
        return sql.select(text, DSL.count()).from(looked(table, List.of(heading)).asTable("looked")).where(text.isNotNull()).groupBy(text)
                .having(DSL.count().gt(1)).orderBy(DSL.count().desc(), text).limit(1).fetchOptional().map(Record.class::cast);
    }

    private Select<?> looked(Table table, List<Field> fields) {
        List<org.jooq.Field<?>> columns = new ArrayList<>();
        fields.forEach(field -> columns.add(TableSql.column(field).as("c" + columns.size())));
        return sql.select(columns).from(Hosted.name(table)).orderBy(Hosted.ID).limit(LOOKED_AT);
    }

    /** One field more, if one is enough; else the two that help most. */
    private List<Field> apart(Table table, Field heading, List<Field> others) {
        record Tried(Field field, long repeated) {
        }
        List<Tried> tried = others.stream().map(field -> new Tried(field, repeated(table, List.of(heading, field))))
                .sorted(Comparator.comparingLong(Tried::repeated)).toList();
        int more = tried.getFirst().repeated == 0 ? 1 : MOST_PARTS - 1;
        return Stream.concat(Stream.of(heading), tried.stream().limit(more).map(Tried::field)).toList();
    }

    /** How many rows are not told apart by these fields, or lack what would tell them apart. */
    private long repeated(Table table, List<Field> fields) {
        List<org.jooq.Field<?>> columns = new ArrayList<>();
        fields.forEach(field -> columns.add(DSL.field(DSL.name("looked", "c" + columns.size()))));
        return sql.fetchSingle(DSL.select(DSL.count().minus(DSL.countDistinct(DSL.row(columns)))
                        .plus(DSL.count().minus(DSL.count(columns.getLast()))))
                .from(looked(table, fields).asTable("looked"))).value1();
    }

    /** Has rows known by these fields together from now on, with a blank between; that is a field of its own. */
    @Transactional
    public Field compose(TableKey key, List<FieldKey> of, Author author) {
        Table table = catalog.table(key).orElseThrow();
        List<Field> fields = of.stream().map(table::field).toList();
        List<Computed.Part> parts = new ArrayList<>();
        for (Field field : fields) {
            if (!parts.isEmpty()) {
                parts.add(new Computed.Part.Words(" "));
            }
            parts.add(new Computed.Part.OfField(field.key()));
        }
        String joined = fields.stream().map(Field::label).collect(Collectors.joining(", "));
        String label = joined.substring(0, Math.min(joined.length(), Field.LONGEST_LABEL));
        Field title = Field.computed(table.fields().free(label), label, new Computed.Composed(parts));
        changes.addField(key, title, author);
        Table with = catalog.table(key).orElseThrow();
        changes.change(with.knownBy(title.key(), with.rowKey(), with.people()), author);
        return title;
    }
}
