package org.pressboard.editing;

import java.sql.SQLException;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Query;
import org.jooq.Record;
import org.jooq.ResultQuery;
import org.jooq.exception.DataAccessException;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.change.ChangeFeed;
import org.pressboard.condition.Standpoint;
import org.pressboard.files.Files;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Author;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.Picking;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Adds, changes and removes rows; each call is one act. Staff may do so with all of them; for visitors see
 * {@link VisitorEditing}.
 */
@Component
public class RowEditing {

    private final DSLContext sql;
    private final Catalog catalog;
    private final Acts acts;
    private final Files files;
    private final ChangeFeed changes;
    private final ValueChecks checks;
    private final Referrers referrers;

    RowEditing(DSLContext sql, Catalog catalog, Acts acts, Files files, ChangeFeed changes, ValueChecks checks, Referrers referrers) {
        this.referrers = referrers;
        this.checks = checks;
        this.sql = sql;
        this.catalog = catalog;
        this.acts = acts;
        this.files = files;
        this.changes = changes;
    }

    /** What came of a change. */
    public sealed interface Outcome {

        /** It is as wanted; {@code act}: which act made it so, where anything changed. */
        record Done(@Nullable Long act) implements Outcome {
        }

        /**
         * Somebody else has changed the same fields meanwhile; nothing was changed.
         *
         * @param theirs what the fields have now
         */
        record Meanwhile(Map<FieldKey, Optional<Value>> theirs) implements Outcome {
        }

        /** Nothing was changed, for values that must not be; by field. */
        record Refused(Map<FieldKey, Problem> problems) implements Outcome {
        }
    }

    /** A row that was added, or why it was not. */
    public record Added(Outcome outcome, RowId row) {
    }

    /** The row with everything that it has, as those see it who may see everything. */
    @Transactional(readOnly = true)
    public Optional<Row> find(TableKey key, RowId row) {
        Tables tables = catalog.tables();
        return tables.find(key).flatMap(table -> find(tables, table, row));
    }

    private Optional<Row> find(Tables tables, Table table, RowId row) {
        TableSql from = TableSql.of(Sight.whole(tables, table.key()), Standpoint.NOBODY, Locale.ENGLISH);
        Picking picking = whole(from, table);
        return sql.select(picking.columns()).from(from.asTable()).where(from.rowId().eq(row))
                .fetchOptional(picking::row);
    }

    private static Picking whole(TableSql from, Table table) {
        return Picking.whole(from, table.fields().stream().map(org.pressboard.table.Field::key).toList());
    }

    /** Adds a row with these values and nothing in its other fields. */
    @Transactional
    public Added add(TableKey key, Map<FieldKey, Value> values, Author author) {
        return add(key, values, author, Hand.STAFF);
    }

    Added add(TableKey key, Map<FieldKey, Value> values, Author author, Hand hand) {
        Tables tables = hand.tables(catalog);
        Table table = tables.get(key);
        Map<FieldKey, Optional<Value>> all = new HashMap<>();
        table.entered().forEach(field -> all.put(field.key(), Optional.ofNullable(values.get(field.key()))));
        Map<FieldKey, Problem> problems = checks.problems(tables, table, all, null);
        if (!problems.isEmpty()) {
            return new Added(new Outcome.Refused(problems), RowId.NONE);
        }
        files.use(key, values.values());
        Map<Field<?>, Field<?>> columns = columns(table, all);
        columns.put(DSL.field(Hosted.ADDED_BY), DSL.val(author.who()));
        columns.put(DSL.field(Hosted.CHANGED_BY), DSL.val(author.who()));
        if (!hand.sent().by().isEmpty()) {
            columns.put(DSL.field(Hosted.SENDER), DSL.val(hand.sent().by()));
            columns.put(DSL.field(Hosted.FORM), DSL.val(hand.sent().form()));
        }
        RowId row = next(table);
        columns.put(Hosted.ID, DSL.val(row, Hosted.TYPE));
        long act = write(Verb.ADD, tables, table, List.of(row), hand,
                acts.beginning(author, Act.What.ROW_ADDED, key, Act.Details.of(called(table, values))),
                sql.insertInto(DSL.table(Hosted.name(table))).set(columns));
        return new Added(new Outcome.Done(act), row);
    }

    /** Known before the row is there: not everybody who may add one sees it then. */
    private RowId next(Table table) {
        return new RowId(sql.fetchSingle("select nextval(pg_get_serial_sequence({0}, {1}))",
                DSL.inline(sql.render(Hosted.name(table))), DSL.inline(Hosted.ROW.last())).get(0, Long.class));
    }

    /** Writes rows by that hand, as an act; gives its number. */
    private long write(Verb verb, Tables tables, Table table, Collection<RowId> rows, Hand hand, ResultQuery<Record> act,
            Query statement) {
        changes.changed();
        return guarded(table, () -> hand.write(sql, verb, table, rows, act, statement));
    }

    private static String called(Table table, Map<FieldKey, Value> values) {
        return table.headingField().map(org.pressboard.table.Field::key).map(values::get)
                .filter(Value.Text.class::isInstance).map(value -> ((Value.Text) value).text()).orElse("");
    }

    /**
     * Changes a row, unless somebody else has changed the same fields since.
     *
     * @param was  what the fields had when whoever changes them began to
     * @param give what they are to have
     * @throws ProblemsFound when the row is there no more
     */
    @Transactional
    public Outcome change(TableKey key, RowId row, Map<FieldKey, Optional<Value>> was,
            Map<FieldKey, Optional<Value>> give, Author author) {
        return change(key, row, was, give, author, Hand.STAFF, Among.ALL)
                .orElseThrow(() -> ProblemsFound.of("row.gone"));
    }

    /** @return empty where the row is not there, or not among those: nobody is told which */
    Optional<Outcome> change(TableKey key, RowId row, Map<FieldKey, Optional<Value>> was, Map<FieldKey, Optional<Value>> give,
            Author author, Hand hand, Among among) {
        Tables tables = hand.tables(catalog);
        Table table = tables.get(key);
        return hold(tables, table, row, hand, among).map(now -> change(tables, table, now, was, give, author, hand));
    }

    private Outcome change(Tables tables, Table table, Row now, Map<FieldKey, Optional<Value>> was,
            Map<FieldKey, Optional<Value>> give, Author author, Hand hand) {
        Map<FieldKey, Problem> against = hand.against(table, List.of(now.id()), give);
        if (!against.isEmpty()) {
            return new Outcome.Refused(against);
        }
        Map<FieldKey, Optional<Value>> changed = new LinkedHashMap<>();
        Map<FieldKey, Optional<Value>> theirs = new LinkedHashMap<>();
        give.forEach((field, value) -> {
            Optional<Value> before = was.getOrDefault(field, Optional.empty());
            if (isSame(value, before)) {
                return;
            }
            SeenPart current = SeenPart.of(hand, table.field(field), now.find(field), before);
            if (!isSame(value, current.seen())) {
                changed.put(field, current.with(value));
                if (!isSame(current.seen(), before)) {
                    theirs.put(field, current.seen());
                }
            }
        });
        Map<FieldKey, Problem> problems = checks.problems(tables, table, changed, now.id());
        if (!problems.isEmpty()) {
            return new Outcome.Refused(problems);
        }
        if (!theirs.isEmpty()) {
            return new Outcome.Meanwhile(theirs);
        }
        return changed.isEmpty() ? new Outcome.Done(null) : store(tables, table, now, changed, author, hand);
    }

    /** A row as it is now, which nobody else changes before the transaction ends; where it is among those and they may change it. */
    private Optional<Row> hold(Tables tables, Table table, RowId row, Hand hand, Among among) {
        TableSql from = TableSql.of(Sight.whole(tables, table.key()), hand.standpoint(), Locale.ENGLISH);
        Picking picking = whole(from, table);
        Field<Boolean> may = DSL.field(from.conditionRowByRow(hand.granted(Verb.CHANGE, table)));
        Field<Boolean> is = DSL.field(among.has(row));
        Record found = sql.select(picking.columns()).select(may, is).from(from.asTable()).where(from.rowId().eq(row))
                .forUpdate().of(DSL.table(DSL.name(table.key().name()))).fetchOne();
        if (found == null || !Boolean.TRUE.equals(found.get(is))) {
            return Optional.empty();
        }
        if (!Boolean.TRUE.equals(found.get(may))) {
            throw ProblemsFound.of(Hand.notThis(Verb.CHANGE));
        }
        return Optional.of(picking.row(found));
    }

    private Outcome store(Tables tables, Table table, Row now, Map<FieldKey, Optional<Value>> changed,
            Author author, Hand hand) {
        return new Outcome.Done(write(Verb.CHANGE, tables, table, List.of(now.id()), hand,
                acts.beginning(author, Act.What.ROW_CHANGED, table.key(), Act.Details.of(called(table, now.values()))),
                giving(table, List.of(now.id()), changed, author)));
    }

    /** The statement that gives rows these values. */
    private Query giving(Table table, Collection<RowId> rows, Map<FieldKey, Optional<Value>> changed, Author author) {
        files.use(table.key(), changed.values().stream().flatMap(Optional::stream).toList());
        Map<Field<?>, Field<?>> columns = columns(table, changed);
        columns.put(DSL.field(Hosted.CHANGED_AT), DSL.currentOffsetDateTime());
        columns.put(DSL.field(Hosted.CHANGED_BY), DSL.val(author.who()));
        return sql.update(DSL.table(Hosted.name(table))).set(columns).where(among(rows));
    }

    private static Condition among(Collection<RowId> rows) {
        return Hosted.oneOf(Hosted.ID, rows);
    }

    /** Gives a row these values, whatever it has now, as part of the caller's act. */
    public Outcome give(Table table, RowId row, Map<FieldKey, Optional<Value>> values, Author author) {
        Map<FieldKey, Problem> problems = checks.problems(catalog.tables(), table, values, row);
        if (!problems.isEmpty()) {
            return new Outcome.Refused(problems);
        }
        if (!values.isEmpty()) {
            guarded(table, giving(table, List.of(row), values, author)::execute);
        }
        return new Outcome.Done(null);
    }

    /** Gives several rows the same values in some fields. */
    @Transactional
    public Outcome changeAll(TableKey key, Collection<RowId> rows, Map<FieldKey, Optional<Value>> give, Author author) {
        return changeAll(key, rows, give, author, Hand.STAFF);
    }

    Outcome changeAll(TableKey key, Collection<RowId> rows, Map<FieldKey, Optional<Value>> give, Author author, Hand hand) {
        Tables tables = hand.tables(catalog);
        Table table = tables.get(key);
        Map<FieldKey, Problem> against = hand.against(table, rows, give);
        if (!against.isEmpty()) {
            return new Outcome.Refused(against);
        }
        Map<FieldKey, Problem> problems = checks.problems(tables, table, give, null);
        give.keySet().stream().map(table::field).filter(field -> field.rules().unique() && rows.size() > 1)
                .forEach(field -> problems.put(field.key(), Problem.of("entry.not-unique-for-several")));
        if (!problems.isEmpty()) {
            return new Outcome.Refused(problems);
        }
        hand.check(Verb.CHANGE, table, rows);
        return new Outcome.Done(write(Verb.CHANGE, tables, table, rows, hand,
                acts.beginning(author, Act.What.ROWS_CHANGED, key, Act.Details.of("")),
                giving(table, rows, give, author)));
    }

    /**
     * Removes rows, and along with them those that refer to them where that is said of the reference.
     *
     * @return the act that did
     * @throws ProblemsFound when rows refer to one of them that are to stay
     */
    @Transactional
    public long remove(TableKey key, Collection<RowId> rows, Author author) {
        return remove(key, rows, author, Hand.STAFF);
    }

    long remove(TableKey key, Collection<RowId> rows, Author author, Hand hand) {
        Tables tables = hand.tables(catalog);
        Table table = tables.get(key);
        hand.check(Verb.REMOVE, table, rows);
        List<Referrers.Against> referring = referrers.of(tables, table, rows);
        referring.stream().filter(against -> against.onRemoval() == Referring.OnRemoval.REFUSE)
                .findFirst().ifPresent(against -> {
                    throw ProblemsFound.of("row.referred", rows.size(), against.rows(), against.table().label(),
                            against.by().label());
                });
        String name = rows.size() == 1 ? find(tables, table, rows.iterator().next())
                .map(row -> called(table, row.values())).orElse("") : "";
        return write(Verb.REMOVE, tables, table, rows, hand,
                acts.beginning(author, Act.What.ROWS_REMOVED, key, new Act.Details(name, null, null, referring.stream()
                        .map(against -> new Act.Along(against.table().label(), against.by().label(), against.rows(),
                                against.onRemoval() == Referring.OnRemoval.REMOVE_ALONG)).toList())),
                sql.deleteFrom(DSL.table(Hosted.name(table))).where(among(rows)));
    }

    private static Map<Field<?>, Field<?>> columns(Table table, Map<FieldKey, Optional<Value>> values) {
        Map<Field<?>, Field<?>> columns = new LinkedHashMap<>();
        values.forEach((key, value) -> {
            Field<?> column = TableSql.column(table.field(key));
            columns.put(column, value.<Field<?>>map(ValueSql::bound)
                    .orElseGet(() -> DSL.castNull(column.getDataType())));
        });
        return columns;
    }

    private static boolean isSame(Optional<Value> one, Optional<Value> other) {
        if (one.isEmpty() || other.isEmpty()) {
            return one.isEmpty() && other.isEmpty();
        }
        return one.get().compareWith(other.get()) == 0;
    }

    /** What another did at the same moment is found out by the database. */
    private static <T> T guarded(Table table, java.util.function.Supplier<T> change) {
        try {
            return change.get();
        } catch (DataAccessException failed) {
            switch (String.valueOf(failed.sqlState())) {
                case "23505" -> throw ProblemsFound.of("row.not-unique", table.label());
                case "23503" -> throw ProblemsFound.of("row.reference-broken", table.label());
                default -> throw failed;
            }
        } catch (org.springframework.dao.DuplicateKeyException twice) {
            throw ProblemsFound.of("row.not-unique", table.label());
        } catch (org.springframework.dao.DataIntegrityViolationException broken) {
            if (broken.getMostSpecificCause() instanceof SQLException sql && "23503".equals(sql.getSQLState())) {
                throw ProblemsFound.of("row.reference-broken", table.label());
            }
            throw broken;
        }
    }

    /** The problems as such that say at which field they are. */
    public static Problems named(Table table, Map<FieldKey, Problem> problems) {
        return new Problems(problems.entrySet().stream().map(entry -> Problem.of("entry.at",
                table.field(entry.getKey()).label(), entry.getValue().code())).toList());
    }
}
