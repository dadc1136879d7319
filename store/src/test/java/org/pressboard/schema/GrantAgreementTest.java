package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;
import static org.pressboard.schema.GrantCases.APPROVED;
import static org.pressboard.schema.GrantCases.BROWSERS;
import static org.pressboard.schema.GrantCases.EMAIL;
import static org.pressboard.schema.GrantCases.GROUPS;
import static org.pressboard.schema.GrantCases.HEALTH;
import static org.pressboard.schema.GrantCases.KEEPER;
import static org.pressboard.schema.GrantCases.NAME;
import static org.pressboard.schema.GrantCases.PEOPLE;
import static org.pressboard.schema.GrantCases.PLOT;
import static org.pressboard.schema.GrantCases.PLOTS;
import static org.pressboard.schema.GrantCases.TREE;
import static org.pressboard.schema.GrantCases.TREES;
import static org.pressboard.schema.GrantCases.WAYS;
import static org.pressboard.schema.GrantCases.YEARS;

import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.random.RandomGenerator;
import java.util.stream.LongStream;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.scope.VisitorScope;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.dao.DataAccessException;

/**
 * Random grants, groups and visitors over tables whose rows are somebody's own by a person, by an address, or through one
 * or two references: what the core decides, what the row query asks and what row security alone lets through are the same
 * rows, and the same values of them, as some fields are left out; and the same of adding, changing and removing.
 */
class GrantAgreementTest extends StoreTest {

    private static final long SEED = 20261126;
    private static final int ROUNDS = 280;
    private static final LocalDate TODAY = Cases.TODAY;

    @Autowired
    private TableChanges changes;

    @Autowired
    private VisitorScope scope;

    private final RandomGenerator random = Cases.random(SEED);
    private final GrantCases cases = new GrantCases(random);
    private List<Row> people = List.of();
    private List<Row> plots = List.of();
    private List<Row> trees = List.of();
    private List<Row> logs = List.of();
    private Table table = Cases.TABLE;
    private long leftOut;

    @BeforeEach
    void makeTables() {
        Table members = changes.make("Crew", fields(new Field(NAME, "Name", new Textual.Text()),
                new Field(EMAIL, "E-mail", new Textual.Email()), number(YEARS)), OWNER);
        changes.change(members.knownBy(null, null, EMAIL), OWNER);
        Referring.Person person = new Referring.Person(members.key(), Referring.OnRemoval.CLEAR);
        Table beds = changes.make("Beds", fields(new Field(NAME, "Name", new Textual.Text()),
                new Field(KEEPER, "Keeper", person)), OWNER);
        Table stems = changes.make("Stems", fields(new Field(NAME, "Name", new Textual.Text()),
                new Field(PLOT, "Plot", to(beds))), OWNER);
        table = changes.make("Logs", fields(new Field(NAME, "Name", new Textual.Text()), new Field(KEEPER, "Keeper", person),
                new Field(EMAIL, "E-mail", new Textual.Email()), new Field(PLOT, "Plot", to(beds)),
                new Field(TREE, "Tree", to(stems)), number(YEARS), number(HEALTH),
                new Field(APPROVED, "Approved", new FieldType.YesNo())), OWNER);
        people = rows(PEOPLE, id -> Map.of(NAME, Value.of("P" + id), EMAIL,
                Value.of((id % 2 == 0 ? "P" : "p") + id + "@example.org"), YEARS, Value.of(id % 3)));
        plots = rows(PLOTS, id -> cases.some(Map.of(KEEPER, cases.row(PEOPLE))));
        trees = rows(TREES, id -> cases.some(Map.of(PLOT, cases.row(PLOTS))));
        logs = rows(40, cases::log).stream().map(row -> new Row(row.id(), row.values(), cases.sender())).toList();
        load(catalog.tables().get(members.key()), people);
        load(beds, plots);
        // a grant that picks rows of another table is for those who see these
        publisher.open(beds.key(), Openness.EVERYONE);
        load(stems, trees);
        load(table, logs);
        inTransaction(() -> logs.forEach(row -> sql.execute("update hosted.logs set _sender = {0} where row_id = {1}",
                DSL.val(row.sender()), DSL.val(row.id()))));
        GROUPS.forEach(key -> inTransaction(() -> catalog.keepGroup(new Group(key, key.name(), Condition.NEVER, Set.of()))));
    }

    @AfterEach
    void removeTables() {
        List.of("logs", "stems", "beds", "crew").forEach(key -> publisher.remove(new TableKey(key)));
        GROUPS.forEach(key -> inTransaction(() -> catalog.removeGroup(key)));
    }

    @Test
    void theCoreTheQueryAndTheDatabaseAgree() {
        int compared = 0;
        FieldKey way = KEEPER;
        for (int i = 0; i < ROUNDS; i++) {
            if (i % 30 == 0) {
                way = Cases.pick(WAYS, random);
                changes.change(catalog.tables().get(table.key()).ownedBy(way)
                        .approvedBy(random.nextBoolean() ? APPROVED : null).countingBrowsers(random.nextBoolean()), OWNER);
            }
            publisher.grant(table.key(), new Grants(cases.grants()));
            PublishedSite site = catalog.publishedNow();
            for (int which = 0; which <= PEOPLE + BROWSERS.size(); which++) {
                Visitor visitor = visitor(which);
                String as = "seed %d, %s, %s, own by %s".formatted(SEED, visitor, site.grants().get(table.key()), way);
                compare(site, visitor, as);
                add(site, visitor, as);
                change(site, visitor, as);
                compared += Verb.of(false).size();
            }
        }
        assertThat(compared).isGreaterThan(10_000);
        assertThat(leftOut).as("values left out").isGreaterThan(1_000);
    }

    private void compare(PublishedSite site, Visitor visitor, String as) {
        List<RowId> seen = allowed(site, visitor, Verb.SEE, logs);
        Sight sight = site.sight(visitor, table.key());
        TableSql query = TableSql.of(sight, visitor.at(TODAY.atStartOfDay()), ENGLISH);
        assertThat(ids(query, query.condition(sight.asked(table.key())))).as(as).isEqualTo(seen);
        assertThat(asVisitor(visitor, () -> ids(TableSql.plain(table), DSL.trueCondition()))).as(as).isEqualTo(seen);
        // under both locks at once, as rows are carried away
        TableSql locked = TableSql.underLock(sight, visitor.at(TODAY.atStartOfDay()), ENGLISH);
        assertThat(asVisitor(visitor, () -> ids(locked, locked.condition(sight.asked(table.key()))))).as(as).isEqualTo(seen);
        compareFields(sight, visitor, as);
        List<RowId> removable = new ArrayList<>(allowed(site, visitor, Verb.REMOVE, logs));
        removable.retainAll(seen);
        List<RowId> removed = new ArrayList<>();
        isDone(visitor, () -> removed.addAll(sql.deleteFrom(DSL.table(Hosted.name(table)))
                .returningResult(Hosted.ID).fetch(Hosted.ID)));
        assertThat(removed).as(as).containsExactlyInAnyOrderElementsOf(removable);
    }

    /** Which values are seen of which rows; other tables are seen whole, so that references tell their rows. */
    private void compareFields(Sight sight, Visitor visitor, String as) {
        Map<TableKey, Condition> rows = new HashMap<>(Sight.whole(sight.tables(), table.key()).rows());
        rows.put(table.key(), sight.rows(table.key()));
        Sight own = new Sight(sight.table(), sight.tables(), rows, sight.partly());
        Map<RowId, Row> seen = new TreeMap<>();
        logs.forEach(row -> own.seen(reaching(row), visitor.at(TODAY.atStartOfDay())).ifPresent(is -> seen.put(row.id(), own(is))));
        TableSql query = TableSql.of(own, visitor.at(TODAY.atStartOfDay()), ENGLISH);
        assertThat(read(query, query.condition(own.asked(table.key())))).as(as).isEqualTo(seen);
        Map<FieldKey, Condition> all = new HashMap<>(own.partly(table.key()));
        all.replaceAll((field, in) -> Condition.ALWAYS);
        Sight open = new Sight(own.table(), own.tables(), Sight.whole(own.tables(), table.key()).rows(),
                all.isEmpty() ? Map.of() : Map.of(table.key(), all));
        assertThat(asVisitor(visitor, () -> read(TableSql.underLock(open, visitor.at(TODAY.atStartOfDay()), ENGLISH), DSL.trueCondition())))
                .as(as + " by the database alone").isEqualTo(seen);
        leftOut += seen.values().stream().mapToLong(row -> logs.get((int) row.id().number() - 1).values().size() - row.values().size())
                .sum();
    }

    private static Row own(Row row) {
        Map<FieldKey, Value> values = new HashMap<>(row.values());
        values.keySet().removeIf(FieldKey::isThrough);
        values.replaceAll((field, value) -> value instanceof Value.Referred(var to, String heading)
                ? new Value.Referred(to, "") : value);
        return new Row(row.id(), values);
    }

    private Map<RowId, Row> read(TableSql from, org.jooq.Condition where) {
        List<org.jooq.Field<?>> columns = new ArrayList<>(List.of(from.rowId()));
        table.fields().forEach(field -> columns.add(from.told(field.key())));
        Map<RowId, Row> read = new TreeMap<>();
        inTransaction(() -> sql.select(columns).from(from.asTable()).where(where).fetch().forEach(found -> {
            Map<FieldKey, @Nullable Value> values = new HashMap<>();
            for (int i = 1; i < columns.size(); i++) {
                Field field = table.fields().all().get(i - 1);
                Object is = found.get(i);
                values.put(field.key(), is != null && field.type() instanceof Referring ? new Value.Referred(new RowId((Long) is), "")
                        : ValueSql.fromColumn(is, field.type()));
            }
            read.put(found.get(0, RowId.class), Row.of(found.get(0, RowId.class), values));
        }));
        return read;
    }

    private void add(PublishedSite site, Visitor visitor, String as) {
        Row row = new Row(new RowId(1_000), cases.log(1_000), cases.sender());
        boolean may = !allowed(site, visitor, Verb.ADD, List.of(row)).isEmpty()
                && mayWrite(site, visitor, List.of(Verb.ADD), row.values().keySet(), List.of(row));
        assertThat(isDone(visitor, () -> sql.insertInto(DSL.table(Hosted.name(table))).set(columns(row)).execute()))
                .as(as + " adds " + row).isEqualTo(may);
    }

    /** What it was must be theirs to change, and what it becomes, too. */
    private void change(PublishedSite site, Visitor visitor, String as) {
        Row was = Cases.pick(logs, random);
        Row becomes = new Row(was.id(), cases.log(was.id().number()), was.sender());
        boolean seen = !allowed(site, visitor, Verb.SEE, List.of(was)).isEmpty();
        boolean may = seen && !allowed(site, visitor, Verb.CHANGE, List.of(was)).isEmpty();
        // PostgreSQL lets nobody change a row into one that they do not see
        boolean stays = !allowed(site, visitor, Verb.CHANGE, List.of(becomes)).isEmpty()
                && !allowed(site, visitor, Verb.SEE, List.of(becomes)).isEmpty()
                && mayWrite(site, visitor, List.of(Verb.CHANGE, Verb.SEE), differing(was, becomes), List.of(was, becomes));
        Map<org.jooq.Field<?>, Object> columns = columns(becomes);
        columns.remove(Hosted.ID);
        boolean[] changed = new boolean[1];
        boolean done = isDone(visitor, () -> changed[0] = sql.update(DSL.table(Hosted.name(table))).set(columns)
                .where(Hosted.ID.eq(was.id())).execute() > 0);
        assertThat(done && changed[0]).as(as + " changes " + was + " into " + becomes).isEqualTo(may && stays);
    }

    /** Whether none of these fields is left out in one of the rows. */
    private boolean mayWrite(PublishedSite site, Visitor visitor, List<Verb> verbs, Set<FieldKey> fields, List<Row> rows) {
        return verbs.stream().flatMap(verb -> site.partly(visitor, verb, table.key()).entrySet().stream())
                .filter(partly -> fields.contains(partly.getKey()))
                .allMatch(partly -> rows.stream().allMatch(row -> partly.getValue().holds(reaching(row), visitor.at(TODAY.atStartOfDay()))));
    }

    private static Set<FieldKey> differing(Row was, Row becomes) {
        Set<FieldKey> differing = new HashSet<>(was.values().keySet());
        differing.addAll(becomes.values().keySet());
        differing.removeIf(field -> was.find(field).equals(becomes.find(field)));
        return differing;
    }

    private static Map<org.jooq.Field<?>, Object> columns(Row row) {
        Map<org.jooq.Field<?>, Object> columns = new HashMap<>();
        columns.put(DSL.field(DSL.name("row_id")), row.id());
        columns.put(DSL.field(DSL.name("_sender"), String.class), row.sender());
        List.of(KEEPER, PLOT, TREE).forEach(key -> columns.put(DSL.field(DSL.name(key.name()), Long.class),
                row.find(key).map(value -> ((Value.Referred) value).row()).orElse(null)));
        List.of(YEARS, HEALTH).forEach(key -> columns.put(DSL.field(DSL.name(key.name()), Long.class),
                row.find(key).map(value -> ((Value.Whole) value).number()).orElse(null)));
        columns.put(DSL.field(DSL.name(APPROVED.name()), Boolean.class),
                row.find(APPROVED).map(value -> ((Value.YesNo) value).yes()).orElse(null));
        List.of(NAME, EMAIL).forEach(key -> columns.put(DSL.field(DSL.name(key.name()), String.class),
                row.find(key).map(value -> ((Value.Text) value).text()).orElse(null)));
        return columns;
    }

    private boolean isDone(Visitor visitor, Runnable write) {
        try {
            asVisitor(visitor, () -> {
                write.run();
                return true;
            });
            return true;
        } catch (DataAccessException refused) {
            assertThat(refused.getMostSpecificCause()).isInstanceOfSatisfying(SQLException.class,
                    cause -> assertThat(cause.getSQLState()).isEqualTo("42501"));
            return false;
        }
    }

    /** In a transaction of which nothing stays. */
    private <T> T asVisitor(Visitor visitor, java.util.function.Supplier<T> work) {
        List<T> result = new ArrayList<>();
        try {
            inTransaction(() -> {
                scope.enter(visitor, visitor.at(TODAY.atStartOfDay()));
                result.add(work.get());
                throw new TakenBack();
            });
        } catch (TakenBack expected) {
            return result.getFirst();
        }
        throw new AssertionError("was not taken back");
    }

    private static final class TakenBack extends RuntimeException {
        private static final long serialVersionUID = 1;
    }

    private List<RowId> ids(TableSql from, org.jooq.Condition where) {
        return Objects.requireNonNull(inTransaction(() -> sql.select(from.rowId()).from(from.asTable()).where(where)
                .orderBy(from.rowId()).fetch(from.rowId())));
    }

    private List<RowId> allowed(PublishedSite site, Visitor visitor, Verb verb, List<Row> of) {
        Condition allowed = site.may(visitor, verb, table.key()).rows();
        return of.stream().filter(row -> allowed.holds(reaching(row), visitor.at(TODAY.atStartOfDay()))).map(Row::id).toList();
    }

    /** The row with what its references lead to. */
    private Row reaching(Row row) {
        Map<FieldKey, Value> values = new HashMap<>(row.values());
        row.find(PLOT).flatMap(plot -> at(plots, plot).find(KEEPER)).ifPresent(keeper -> values.put(PLOT.through(KEEPER), keeper));
        row.find(TREE).flatMap(tree -> at(trees, tree).find(PLOT)).flatMap(plot -> at(plots, plot).find(KEEPER))
                .ifPresent(keeper -> values.put(TREE.through(PLOT).through(KEEPER), keeper));
        return new Row(row.id(), values, row.sender());
    }

    private static Row at(List<Row> rows, Value reference) {
        return rows.get((int) ((Value.Referred) reference).row().number() - 1);
    }

    private Visitor visitor(int which) {
        if (which >= PEOPLE) {
            return which == PEOPLE ? Visitor.ANYONE : Visitor.in(BROWSERS.get(which - PEOPLE - 1));
        }
        Set<GroupKey> groups = new HashSet<>(GROUPS);
        groups.removeIf(key -> random.nextBoolean());
        return Visitor.member("p" + (which + 1) + "@example.org", "P" + (which + 1), people.get(which), groups);
    }

    private static List<Row> rows(int count, java.util.function.LongFunction<Map<FieldKey, Value>> values) {
        return LongStream.rangeClosed(1, count).mapToObj(id -> new Row(new RowId(id), values.apply(id))).toList();
    }

    private static Fields fields(Field... fields) {
        return new Fields(List.of(fields));
    }

    private static Field number(FieldKey key) {
        return new Field(key, key.name(), new Numeric.WholeNumber(false));
    }

    private static Referring.Reference to(Table target) {
        return new Referring.Reference(target.key(), Referring.OnRemoval.CLEAR);
    }
}
