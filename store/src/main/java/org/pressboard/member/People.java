package org.pressboard.member;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Standpoint;
import org.pressboard.editing.RowEditing;
import org.pressboard.grant.Sight;
import org.pressboard.history.Author;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.Picking;
import org.pressboard.schema.NewTables;
import org.pressboard.schema.TableChanges;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.Rules;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Which table the members are in, and how people of other tables come to be among them. */
@Component
public class People {

    /** So many are joined at once; whoever joins again goes on with the others. */
    public static final int MOST = 2_000;

    private static final int MOST_REASONS = 5;

    private final Catalog catalog;
    private final NewTables fresh;
    private final TableChanges changes;
    private final RowEditing editing;
    private final DSLContext sql;

    People(Catalog catalog, NewTables fresh, TableChanges changes, RowEditing editing, DSLContext sql) {
        this.catalog = catalog;
        this.fresh = fresh;
        this.changes = changes;
        this.editing = editing;
        this.sql = sql;
    }

    /** A table that could be that of the members, or be joined to it: by which field its rows have e-mail addresses. */
    public record Candidate(Table table, Field email) {
    }

    /** The tables besides the members' that have a field of e-mail addresses. */
    public List<Candidate> candidates(Tables tables) {
        Optional<TableKey> people = tables.people();
        return tables.all().stream().filter(table -> people.filter(table.key()::equals).isEmpty()).flatMap(table -> table.entered().stream()
                .filter(field -> field.type() instanceof Textual.Email).limit(1).map(field -> new Candidate(table, field))).toList();
    }

    /** Makes a table of members from nothing: with a name and an e-mail address, which is different in every row. */
    @Transactional
    public Table make(String label, String name, String email, Author author) {
        Field address = new Field(new FieldKey("email"), email, new Textual.Email()).with(Rules.NONE.requiring(true).differing(true));
        Table made = fresh.make(label, new Fields(List.of(Field.first(name), address)), author);
        changes.change(made.knownBy(made.heading(), made.rowKey(), address.key()), author);
        return made;
    }

    /**
     * Has the members be in that table from now on, known by that field, whose values are all different from then on.
     *
     * @throws ProblemsFound when addresses repeat, or something rests on the table that the members are in now
     */
    @Transactional
    public void become(Candidate candidate, Author author) {
        Tables tables = catalog.tables();
        tables.people().map(tables::get).ifPresent(now -> {
            restingOn(tables, now).ifPresent(what -> {
                throw ProblemsFound.of("people.rests", now.label(), what);
            });
            changes.change(now.knownBy(now.heading(), now.rowKey(), null), author);
        });
        TableKey key = candidate.table().key();
        Table table = catalog.tables().get(key);
        if (!candidate.email().rules().unique()) {
            changes.changeField(key, candidate.email().with(candidate.email().rules().differing(true)), author);
            table = catalog.tables().get(key);
        }
        changes.change(table.knownBy(table.heading(), table.rowKey(), candidate.email().key()), author);
    }

    /** What would mean other people, or nobody, if the members were in another table. */
    private Optional<String> restingOn(Tables tables, Table people) {
        return catalog.groups().stream().map(group -> group.label()).findFirst().or(() -> tables.all().stream()
                .flatMap(table -> table.fields().stream().filter(field -> field.type() instanceof Referring.Person)
                        .map(field -> table.label() + ": " + field.label())).findFirst());
    }

    /**
     * How the rows of a table would become members.
     *
     * @param fields what is taken over, by the fields of the members' table
     * @param left   what has no field there of the same name and type
     */
    public record Way(Map<Field, Field> fields, List<Field> left) {
    }

    public Way way(Tables tables, Candidate from) {
        Table people = tables.get(tables.people().orElseThrow());
        Map<Field, Field> fields = new LinkedHashMap<>();
        fields.put(people.field(Objects.requireNonNull(people.people())), from.email());
        people.headingField().filter(Field::isEntered).filter(heading -> heading.type() instanceof Textual).ifPresent(heading ->
                from.table().headingField().filter(own -> own.type() instanceof Textual.Text && !own.equals(from.email()))
                        .ifPresent(own -> fields.putIfAbsent(heading, own)));
        for (Field field : people.entered()) {
            from.table().fields().stream().filter(own -> own.label().equalsIgnoreCase(field.label())
                            && own.type().code().equals(field.type().code()) && !(own.type() instanceof Referring)
                            && !fields.containsValue(own))
                    .findFirst().ifPresent(own -> fields.putIfAbsent(field, own));
        }
        return new Way(fields, from.table().entered().stream().filter(own -> !fields.containsValue(own)).toList());
    }

    /**
     * What came of joining.
     *
     * @param there   how many were members already, and stay as they are
     * @param without how many have no address
     * @param refused how many cannot be members as they are, and why, of the first of them
     * @param isMore  whether there are others that have not been looked at
     */
    public record Joined(long added, long there, long without, long refused, List<Problem> reasons, boolean isMore) {
    }

    /** Adds a member for each row with an address that no member has, with what they have in common. */
    public Joined join(Candidate from, Author author) {
        Tables tables = catalog.tables();
        Table people = tables.get(tables.people().orElseThrow());
        Map<Field, Field> fields = way(tables, from).fields();
        Condition known = DSL.exists(DSL.selectOne().from(DSL.table(Hosted.name(people)).as("m"))
                .where(DSL.condition("lower({0}) = lower({1})", DSL.field(DSL.name("m", TableSql.column(
                        people.field(Objects.requireNonNull(people.people()))).getName())),
                        DSL.field(Hosted.name(from.table()).append(TableSql.column(from.email()).getName())))));
        Tally tally = new Tally();
        tally.without = count(from.table(), TableSql.column(from.email()).isNull());
        tally.there = count(from.table(), known);
        Set<String> addresses = new HashSet<>();
        List<Row> rows = rows(tables, from, fields, known);
        tally.isMore = rows.size() > MOST;
        for (Row row : rows.subList(0, Math.min(MOST, rows.size()))) {
            if (addresses.add(row.find(from.email().key()).map(PlainForm::write).orElse("").toLowerCase(Locale.ROOT))) {
                tally.add(editing.add(people.key(), values(fields, row), author).outcome());
            } else {
                tally.there++;
            }
        }
        return tally.joined();
    }

    private long count(Table table, Condition which) {
        return sql.selectCount().from(Hosted.name(table)).where(which).fetchSingle().value1();
    }

    private static Map<FieldKey, Value> values(Map<Field, Field> fields, Row row) {
        Map<FieldKey, Value> values = new HashMap<>();
        fields.forEach((to, own) -> row.find(own.key()).ifPresent(value -> values.put(to.key(), value)));
        return values;
    }

    private static final class Tally {

        private long added;
        private long there;
        private long without;
        private long refused;
        private boolean isMore;
        private final List<Problem> reasons = new ArrayList<>();

        void add(RowEditing.Outcome outcome) {
            if (outcome instanceof RowEditing.Outcome.Refused(Map<FieldKey, Problem> problems)) {
                refused++;
                problems.values().stream().filter(problem -> reasons.size() < MOST_REASONS && !reasons.contains(problem)).forEach(reasons::add);
            } else {
                added++;
            }
        }

        Joined joined() {
            return new Joined(added, there, without, refused, List.copyOf(reasons), isMore);
        }
    }

    private List<Row> rows(Tables tables, Candidate from, Map<Field, Field> fields, Condition known) {
        List<RowId> numbers = sql.select(Hosted.ID).from(Hosted.name(from.table()))
                .where(TableSql.column(from.email()).isNotNull().andNot(known)).orderBy(Hosted.ID).limit(MOST + 1).fetch(Hosted.ID);
        TableSql rows = TableSql.of(Sight.whole(tables, from.table().key()), Standpoint.NOBODY, Locale.ENGLISH);
        Picking picking = Picking.whole(rows, fields.values().stream().map(Field::key).toList());
        return sql.select(picking.columns()).from(rows.asTable()).where(rows.rowId().in(numbers)).orderBy(rows.rowId())
                .fetch(picking::row);
    }
}
