package org.pressboard.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jooq.Collation;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.QueryPart;
import org.jooq.Select;
import org.jooq.SortField;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.source.Hosted;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.FieldType;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Folding;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/**
 * A table of the owner's as one query sees it: its name, its fields as expressions, and how a language sorts them. What
 * its references lead to is joined as far as the expressions asked for need it.
 */
public final class TableSql {

    private final Sight sight;
    private final Table table;
    private final Locale language;
    private final OperandSql operands;
    private final Joins joins;
    private final FieldSql fields;

    private TableSql(Sight sight, Locale language, OperandSql operands, boolean underLock) {
        this.sight = sight;
        this.table = sight.table();
        this.language = language;
        this.operands = operands;
        this.joins = new Joins(Hosted.name(table));
        this.fields = new FieldSql(sight, joins, operands, collation(), underLock);
    }

    /** For a query on somebody's behalf. */
    public static TableSql of(RowQuery query, Locale language) {
        return of(query.sight(), query.standpoint(), language);
    }

    public static TableSql of(Sight sight, Standpoint standpoint, Locale language) {
        return new TableSql(sight, language, new OperandSql.Bound(standpoint), false);
    }

    /** For a query on somebody's behalf that is executed under their row security. */
    public static TableSql underLock(RowQuery query, Locale language) {
        return underLock(query.sight(), query.standpoint(), language);
    }

    public static TableSql underLock(Sight sight, Standpoint standpoint, Locale language) {
        return new TableSql(sight, language, new OperandSql.Bound(standpoint), true);
    }

    /**
     * The table alone, for its columns, as row security asks them: a reference by the number of the row, what lies beyond
     * it only as views show it.
     */
    public static TableSql secured(Tables tables, Table table) {
        return among(tables, table, Locale.ENGLISH, new OperandSql.FromSettings());
    }

    /** The same, with nobody looking, on the day that the database has. */
    public static TableSql byClock(Tables tables, Table table, Locale language) {
        return among(tables, table, language, new OperandSql.ByClock());
    }

    private static TableSql among(Tables tables, Table table, Locale language, OperandSql operands) {
        return new TableSql(Sight.whole(tables.with(table), table.key()), language, operands, false);
    }

    /** The table alone, for its columns. */
    public static TableSql alone(Table table, Locale language) {
        return new TableSql(new Sight(table, Tables.NONE, Map.of()), language, new OperandSql.FromSettings(), false);
    }

    /** The table alone, with nobody looking. */
    public static TableSql plain(Table table) {
        return of(Sight.of(table), Standpoint.NOBODY, Locale.ENGLISH);
    }

    /** The table with whatever the expressions of the query need joined. */
    public org.jooq.Table<?> asTable() {
        return DSL.table("{0}", joins);
    }

    /** The same over some of its rows. */
    public org.jooq.Table<?> over(Select<?> rows) {
        QueryPart some = DSL.sql("({0}) as {1}", rows, DSL.name(table.key().name()));
        return DSL.table("{0}", joins.over(some));
    }

    /** All columns of the table itself. */
    public Field<?> everything() {
        return DSL.field("{0}.*", DSL.name(table.key().name()));
    }

    public Field<RowId> rowId() {
        return DSL.field(root().column(Hosted.ROW), Hosted.TYPE);
    }

    private Joins.Place root() {
        return new Joins.Place(table, table.key().name(), false);
    }

    /** The bare column of a field, as indexes name it. */
    public static Field<?> column(org.pressboard.table.Field field) {
        return DSL.field(DSL.name(field.key().name()), ValueSql.columnType(field.type()));
    }

    /**
     * What the field comes to in a row: for a reference, what the row referred to is called.
     *
     * @throws org.pressboard.table.NoSuchField when the table has no such field
     */
    public Field<?> shown(FieldKey key) {
        return fields.shown(root(), table.field(key));
    }

    /** What the field comes to in a row as it is searched: without regard to case and accents. */
    public Field<String> folded(FieldKey key) {
        return MentionSql.folded(shown(key)).cast(SQLDataType.CLOB);
    }

    /** What tells the value from others: for a reference, the number of the row referred to, where it is seen. */
    public Field<?> told(FieldKey key) {
        return fields.told(root(), table.field(key));
    }

    /** See {@link Table#withParts}. */
    public List<FieldKey> withParts(List<FieldKey> keys) {
        return table.withParts(keys);
    }

    /** The kind of the field. */
    public FieldType type(FieldKey key) {
        return table.field(key).type();
    }

    /** Whether what is shown differs from what tells it from others. */
    public boolean isReferring(FieldKey key) {
        return table.field(key).type() instanceof Referring;
    }

    /** What is shown, of texts no more than their first so many characters. */
    public Field<?> beginning(FieldKey key, int characters) {
        Field<?> shown = shown(key);
        boolean isCut = isText(shown) && type(key).held() != FieldType.Held.FILE;
        return isCut ? DSL.left(shown.cast(SQLDataType.CLOB), characters) : shown;
    }

    /** How many bytes the texts of a row have in these fields. */
    public Field<Integer> bytesOfTexts(List<FieldKey> keys) {
        Field<Integer> bytes = DSL.inline(0);
        for (FieldKey key : keys) {
            Field<?> shown = shown(key);
            bytes = isText(shown) ? bytes.plus(DSL.coalesce(DSL.octetLength(shown.cast(SQLDataType.CLOB)), 0)) : bytes;
        }
        return bytes;
    }

    /** What is shown as it is sorted: texts in the order of the language, choices in that of their options. */
    public Field<?> sorted(FieldKey key) {
        return fields.sorted(shown(key), type(key));
    }

    /** A value of the field as it stands in that order. */
    public Field<?> sorted(FieldKey key, Value value) {
        return type(key) instanceof Chosen.Choice choice ? DSL.val(choice.placeOf(value)) : ValueSql.bound(value);
    }

    /** The bare column, or what is noted, as it is looked up in an index. */
    public Field<?> indexed(FieldKey key) {
        return fields.collated(table.field(key).computed() instanceof Computed.Noted ? shown(key) : column(table.field(key)));
    }

    /** The bare column as it is sorted by an index; the same but for choices. */
    public Field<?> indexedInOrder(FieldKey key) {
        return fields.sorted(column(table.field(key)), type(key));
    }

    /** PostgreSQL's own collation of the language, from ICU. */
    public Collation collation() {
        return DSL.collation(DSL.name("pg_catalog", language.toLanguageTag() + "-x-icu"));
    }

    static boolean isText(Field<?> field) {
        return field.getDataType().equals(SQLDataType.CLOB);
    }

    /** The order, empty values last either way, rows that it does not tell apart by their number. */
    public List<SortField<?>> order(List<SortBy> order, boolean byNumberDescending) {
        List<SortField<?>> by = new ArrayList<>();
        for (SortBy sort : order) {
            Field<?> field = sorted(sort.field());
            by.add((sort.descending() ? field.desc() : field.asc()).nullsLast());
        }
        by.add(byNumberDescending ? rowId().desc() : rowId().asc());
        return by;
    }

    /** The condition as it is asked of the table as a whole, with all indexes at hand. */
    public Condition condition(org.pressboard.condition.Condition condition) {
        return seen().and(new ConditionSql(fields, root(), operands,
                (mention, among) -> mention.bySets(root(), among, this::rowsApart)).of(condition));
    }

    /** That a word of what is searched of a row is nearly that one; empty where there is no such text, or not for whoever looks. */
    public Optional<Condition> nearly(String word) {
        return fields.hasSearchText(root()) ? Optional.of(DSL.condition("{0} %> {1}", MentionSql.searched(root()),
                DSL.val(Folding.fold(word)))) : Optional.empty();
    }

    /** The same as it is asked of few rows, one after the other. */
    public Condition conditionRowByRow(org.pressboard.condition.Condition condition) {
        return seen().and(new ConditionSql(fields, root(), operands).of(condition));
    }

    /** See {@link Sight#asked}. */
    private Condition seen() {
        return sight.isPartly(table.key()) ? fields.seen(root()) : DSL.noCondition();
    }

    private Select<?> rowsApart(Function<MentionSql, Condition> meeting, String text) {
        Joins own = new Joins(Hosted.name(table));
        Condition met = meeting.apply(new MentionSql(fields.over(own), text));
        return DSL.select(rowId()).from(DSL.table("{0}", own)).where(met);
    }
}
