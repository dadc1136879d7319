package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.bulk.Carrying;
import org.pressboard.bulk.CsvOut;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.condition.Standpoint;
import org.pressboard.editing.RowEditing;
import org.pressboard.undo.Undo;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Entry;
import org.pressboard.history.RowHistory;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.FieldCounts;
import org.pressboard.rows.Rows;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
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
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * Fields and tables called as any word of SQL (by PostgreSQL's own list), of PL/pgSQL (by its manual, the names of appendix
 * and statements from memory), or as what our own statements call something: everything is done with each of them.
 */
class AnyNameTest extends StoreTest {

    /** Words of PL/pgSQL, variables that its triggers have, and names that stand in statements of ours. */
    private static final List<String> OTHERS = List.of("alias", "array", "assert", "backward", "begin", "by", "case", "chain",
            "close", "column_name", "constant", "constraint_name", "continue", "current", "cursor", "datatype", "debug",
            "detail", "diagnostics", "dump", "else", "elseif", "elsif", "end", "errcode", "error", "exception", "execute",
            "exit", "fetch", "foreach", "forward", "found", "get", "hint", "if", "import", "info", "into", "is", "log", "loop",
            "message", "message_text", "move", "new", "next", "notice", "old", "open", "perform", "pg_context",
            "pg_datatype_name", "print_strict_params", "query", "raise", "relative", "return", "returned_sqlstate", "reverse",
            "row_count", "rowtype", "schema_name", "slice", "sqlerrm", "sqlstate", "stacked", "strict", "table_name", "tg_argv",
            "tg_op", "tg_table_name", "use_column", "use_variable", "variable_conflict", "warning", "while",
            "added", "after", "became", "before", "body", "c", "column", "concerned", "each", "given", "h", "held", "hosted",
            "keeping", "kept", "key", "lists", "name", "one", "other", "own", "part", "partly", "place", "placed", "plot",
            "referred", "refers_to", "row", "row_id", "search_text", "several", "some", "texts", "there", "touched", "value",
            "was", "was_quiet", "worked");

    /** Of these the names of tables would be mistaken for others. */
    private static final List<String> AS_TABLES = List.of("new", "old", "was", "became", "kept", "own", "worked", "held", "each",
            "place", "referred", "partly", "given", "there", "h", "found", "select", "user", "table", "order");

    private static final Visitor MEMBER = Visitor.member("mira@example.org");
    private static final FieldKey CALLED = new FieldKey("called");
    private static final FieldKey LEADS = new FieldKey("leads");
    private static final FieldKey KEPT = new FieldKey("kept");

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    @Autowired
    private VisitorEditing visiting;

    @Autowired
    private RowHistory history;

    @Autowired
    private Undo undo;

    @Autowired
    private Rows rows;

    @Autowired
    private FieldCounts counts;

    @Autowired
    private CsvOut csv;

    @Autowired
    private Indexes indexes;

    private final List<TableKey> made = new ArrayList<>();

    /** Those of a portion together, for they refer to each other. */
    @AfterEach
    void removeTables() {
        publisher.remove(made.toArray(TableKey[]::new));
        made.clear();
    }

    /** In portions, for a row of PostgreSQL has room for some hundred fields only. */
    private List<Set<String>> portions(Set<String> words, int number) {
        return List.copyOf(words.stream().collect(Collectors.groupingBy(word -> Math.floorMod(word.hashCode(), number),
                Collectors.<String, Set<String>>toCollection(TreeSet::new))).values());
    }

    private Table make(String label, List<Field> fields) {
        Table table = changes.make(label, new Fields(fields), OWNER);
        made.add(table.key());
        return table;
    }

    private static List<Field> called(Set<String> words, IntFunction<FieldType> type) {
        List<Field> fields = new ArrayList<>(List.of(new Field(CALLED, "Called", new Textual.Text())));
        Set<String> taken = new TreeSet<>(Set.of("called"));
        for (String word : words) {
            FieldKey key = FieldKey.from(word, taken);
            taken.add(key.name());
            fields.add(new Field(key, word, type.apply(fields.size())));
        }
        return fields;
    }

    private Map<FieldKey, Value> values(Table table, Function<Field, Value> value) {
        return table.entered().stream().collect(Collectors.toMap(Field::key, value));
    }

    private static Map<FieldKey, Optional<Value>> some(Map<FieldKey, Value> values) {
        Map<FieldKey, Optional<Value>> some = new HashMap<>();
        values.forEach((key, value) -> some.put(key, Optional.of(value)));
        return some;
    }

    private Row row(Table table, RowId number) {
        return editing.find(table.key(), number).orElseThrow();
    }

    @Test
    void aTextCalledSoIsAddedChangedFoundTakenBackAndLeftOut() throws Exception {
        Set<String> all = new TreeSet<>(OTHERS);
        all.addAll(sql.fetch("select word from pg_get_keywords()").getValues(0, String.class));
        assertThat(all).hasSizeGreaterThan(500).contains("by", "select", "while");
        for (Set<String> words : portions(all, 4)) {
            asText(words);
            removeTables();
        }
    }

    private void asText(Set<String> words) throws Exception {
        Table table = make("Words", called(words, place -> place % 5 == 4 ? Chosen.Choice.of(List.of("Plum", "Pear"))
                : place % 5 == 3 ? Chosen.Choices.of(List.of("Plum", "Pear")) : new Textual.Text()));
        Map<FieldKey, Value> plum = values(table, field -> value(field, "Plum"));
        Map<FieldKey, Value> pear = values(table, field -> value(field, "Pear"));
        RowId number = editing.add(table.key(), plum, OWNER).row();
        long act = done(editing.change(table.key(), number, some(plum), some(pear), OWNER));
        assertThat(row(table, number).values()).isEqualTo(pear);
        Entry changed = history.ofRow(table, number, 1).getFirst();
        assertThat(changed.before()).isEqualTo(some(plum));
        undo.undo(table.key(), act, OWNER);
        assertThat(row(table, number).values()).isEqualTo(plum);
        long removal = editing.remove(table.key(), List.of(number), OWNER);
        undo.undo(table.key(), removal, OWNER);
        assertThat(row(table, number).values()).isEqualTo(plum);
        editing.add(table.key(), pear, OWNER);

        publisher.open(table.key(), Openness.EVERYONE);
        Listing listing = Listing.plain(new ListingKey("words"), table.key(), List.of(CALLED));
        indexes.make(catalog.tables(), listing.with(Finding.by(keys(table), keys(table))), ENGLISH);
        for (FieldKey key : keys(table)) {
            RowQuery query = query(table, Visitor.ANYONE, new Condition.Mentions(List.of(key), "plu").and(
                    Condition.compare(key, Operator.BEGINS, Value.of("P"))), List.of(new SortBy(key, true)), 1, 10);
            assertThat(rows.page(query, ENGLISH).rows()).as(key.name()).extracting(Row::id).containsExactly(number);
            assertThat(counts.byValue(query, key, List.of(), ENGLISH)).as(key.name()).isEqualTo(Map.of("Plum", 1L));
        }
        assertThat(csv(query(table, Visitor.ANYONE, Condition.ALWAYS, List.of(), 1, 10))).hasLineCount(3).contains("Plum");

        grantWithout(table, keys(table).subList(1, keys(table).size()));
        assertThat(visiting.change(MEMBER, table.key(), number, some(plum), some(Map.of(CALLED, Value.of("Fig"))), OWNER))
                .isInstanceOf(RowEditing.Outcome.Done.class);
        for (FieldKey key : keys(table).subList(1, keys(table).size())) {
            assertThat(visiting.change(MEMBER, table.key(), number, some(plum), some(Map.of(key, pear.get(key))), OWNER))
                    .as(key.name()).isInstanceOf(RowEditing.Outcome.Refused.class);
        }
        assertThat(visiting.add(MEMBER, table.key(), Map.of(CALLED, Value.of("Fig")), OWNER).outcome())
                .isInstanceOf(RowEditing.Outcome.Done.class);
    }

    private static Value value(Field field, String text) {
        return field.type().isSeveral() ? new Value.Several(List.of(Value.of(text))) : Value.of(text);
    }

    private static long done(RowEditing.Outcome outcome) {
        return ((RowEditing.Outcome.Done) outcome).act();
    }

    private static List<FieldKey> keys(Table table) {
        return table.fields().stream().map(Field::key).toList();
    }

    private String csv(RowQuery query) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (var spool = csv.read(query, ENGLISH, SpreadsheetCells.HARMLESS, Carrying.UNWATCHED)) {
            spool.copyTo(out);
        }
        return out.toString(StandardCharsets.UTF_8);
    }

    private void grantWithout(Table table, List<FieldKey> fields) {
        publisher.grant(table.key(), new Grants(Stream.of(Verb.SEE, Verb.ADD, Verb.CHANGE, Verb.REMOVE).map(verb ->
                new Grant(Audience.EVERYONE, verb, Condition.ALWAYS).leavingOut(verb == Verb.REMOVE ? Set.of()
                        : Set.copyOf(fields))).toList()));
    }

    /**
     * Each as a reference and as several, as a number that is summed up, and as the tally of them: the words that mean
     * something wherever they stand, and all those of the bodies of functions.
     */
    @Test
    void aReferenceANumberAndATallyCalledSoAreKept() {
        Set<String> all = new TreeSet<>(OTHERS);
        all.addAll(sql.fetch("select word from pg_get_keywords() where catcode = 'R'").getValues(0, String.class));
        portions(all, 5).forEach(words -> {
            asReference(words);
            removeTables();
        });
    }

    private void asReference(Set<String> words) {
        Table plots = make("Plots", List.of(new Field(CALLED, "Called", new Textual.Text())));
        Value.Referred north = new Value.Referred(editing.add(plots.key(), Map.of(CALLED, Value.of("North")), OWNER).row(), "North");
        Table leading = make("Leading", called(words, place -> new Referring.Reference(plots.key(), Referring.OnRemoval.CLEAR)));
        Table several = make("Several", called(words, place -> new Referring.References(plots.key(), Referring.OnRemoval.CLEAR)));
        List<Field> numbered = new ArrayList<>(called(words, place -> new Numeric.WholeNumber(true)));
        numbered.add(new Field(LEADS, "Leads", new Referring.Reference(plots.key(), Referring.OnRemoval.CLEAR)));
        Table numbers = make("Numbers", numbered);
        RowId linked = editing.add(several.key(), values(several, field -> field.type() instanceof Referring
                ? new Value.Several(List.of(north)) : Value.of("both")), OWNER).row();
        for (FieldKey key : keys(leading).subList(1, keys(leading).size())) {
            boolean isCounted = keys(leading).indexOf(key) % 2 == 0;
            Computed.Tally tally = isCounted ? new Computed.Tally(leading.key(), key, Computed.Measure.COUNT, null,
                    Condition.isEmpty(key).not(), null, null, Computed.Floor.NONE)
                    : new Computed.Tally(numbers.key(), LEADS, Computed.Measure.SUM, key, Condition.compare(key,
                            Operator.GREATER, Value.of(0)), null, null, Computed.Floor.NONE);
            changes.addField(plots.key(), Field.computed(key, key.name(), tally), OWNER);
        }
        RowId counted = editing.add(leading.key(), values(leading, field -> field.type() instanceof Referring ? north : Value.of("one")),
                OWNER).row();
        editing.add(numbers.key(), values(numbers, field -> field.type() instanceof Referring ? north
                : field.type() instanceof Numeric ? Value.of(1) : Value.of("one")), OWNER);
        Row tallied = row(plots, north.row());
        assertThat(keys(leading).stream().filter(key -> !tallied.find(key).equals(Optional.of(Value.of(1))))).containsExactly(CALLED);
        editing.remove(leading.key(), List.of(counted), OWNER);
        assertThat(row(plots, north.row()).values().values()).contains(Value.of(0));
        editing.remove(plots.key(), List.of(north.row()), OWNER);
        assertThat(row(several, linked).values()).isEqualTo(Map.of(CALLED, Value.of("both")));
    }

    /** Tables called so, whose rows refer to another and are counted there, with a field left out and some rows waiting. */
    @Test
    void aTableCalledSoIsWorkedWith() {
        for (String word : AS_TABLES) {
            Table plots = make("Plots of it", List.of(new Field(CALLED, "Called", new Textual.Text())));
            publisher.open(plots.key(), Openness.EVERYONE);
            RowId plot = editing.add(plots.key(), Map.of(CALLED, Value.of("North")), OWNER).row();
            Table table = make(word, List.of(new Field(CALLED, "Called", new Textual.Text()), new Field(LEADS, "Leads",
                    new Referring.Reference(plots.key(), Referring.OnRemoval.CLEAR)), new Field(KEPT, "Kept",
                    new Referring.References(plots.key(), Referring.OnRemoval.CLEAR))));
            changes.addField(plots.key(), Field.computed(LEADS, "Led", new Computed.Tally(table.key(), LEADS,
                    Computed.Measure.COUNT, null, Condition.compare(CALLED, Operator.BEGINS, Value.of("o")), null, null,
                    Computed.Floor.NONE)), OWNER);
            Map<FieldKey, Value> values = Map.of(CALLED, Value.of("one"), LEADS, new Value.Referred(plot, "North"), KEPT,
                    new Value.Several(List.of(new Value.Referred(plot, "North"))));
            RowId number = editing.add(table.key(), values, OWNER).row();
            assertThat(row(plots, plot).find(LEADS)).as(word).contains(Value.of(1));
            grantWithout(table, List.of(LEADS));
            assertThat(visiting.change(MEMBER, table.key(), number, some(Map.of(CALLED, Value.of("one"))),
                    some(Map.of(CALLED, Value.of("two"))), OWNER)).as(word).isInstanceOf(RowEditing.Outcome.Done.class);
            assertThat(row(plots, plot).find(LEADS)).as(word).contains(Value.of(0));
            RowQuery asked = new RowQuery(catalog.published().sight(MEMBER, table.key()), MEMBER, Standpoint.of(MEMBER.who(), java.time.LocalDate.EPOCH),
                    Condition.ALWAYS, new Condition.Mentions(List.of(CALLED), "wo"), List.of(new SortBy(CALLED, false)), 1, 10,
                    List.of(CALLED, LEADS, KEPT));
            assertThat(rows.page(asked, ENGLISH).rows()).as(word).singleElement()
                    .satisfies(row -> assertThat(row.values()).containsOnlyKeys(CALLED, KEPT));
            undo.undo(table.key(), editing.remove(table.key(), List.of(number), OWNER), OWNER);
            assertThatThrownBy(() -> changes.retype(table.key(), LEADS, new Textual.Text(), OWNER)).as(word)
                    .isInstanceOf(ProblemsFound.class);
            changes.retype(table.key(), KEPT, Chosen.Choices.of(List.of("North")), OWNER);
            assertThat(row(table, number).find(KEPT)).as(word).contains(new Value.Several(List.of(Value.of("North"))));
            removeTables();
        }
    }
}
