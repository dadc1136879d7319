package org.pressboard.demo;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.history.Author;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Computed.Measure;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Referring.OnRemoval;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;

/** Makes of the orchard's files tables that hang together, as its owner would at the desk. */
@Component
class DemoTables {

    /** The files, those that others refer to first. */
    static final List<String> FILES = List.of("varieties", "plots", "members", "trees", "pickings", "pledges",
            "tastings", "work_days", "sign_ups", "tool_repairs");

    /** Those that tell of the year. */
    static final Set<String> YEARLY = Set.of("pickings", "pledges", "tastings", "work_days", "sign_ups", "tool_repairs");

    static final Author OWNER = new Author(null, "Elspeth Muir", Author.Origin.DEMO);
    private static final TableKey VARIETIES = new TableKey("varieties");
    private static final TableKey PLOTS = new TableKey("plots");
    private static final TableKey MEMBERS = new TableKey("members");
    private static final TableKey TREES = new TableKey("trees");
    private static final TableKey PICKINGS = new TableKey("pickings");
    private static final TableKey PLEDGES = new TableKey("pledges");
    private static final TableKey TASTINGS = new TableKey("tastings");
    private static final TableKey WORK_DAYS = new TableKey("work_days");
    private static final TableKey SIGN_UPS = new TableKey("sign_ups");
    private static final TableKey REPAIRS = new TableKey("tool_repairs");
    private static final String POUNDS = "GBP";
    private static final int A_YEAR = 365;

    private final Catalog catalog;
    private final TableChanges changes;

    DemoTables(Catalog catalog, TableChanges changes) {
        this.catalog = catalog;
        this.changes = changes;
    }

    /** Says of a table that has just been brought in what its fields really are. */
    void settle(String file) {
        switch (file) {
            case "varieties" -> varieties();
            case "plots" -> knownBy(PLOTS, "plot");
            case "members" -> members();
            case "trees" -> trees();
            case "pickings" -> pickings();
            case "pledges" -> pledges();
            case "tastings" -> tastings();
            case "work_days" -> workDays();
            case "sign_ups" -> signUps();
            default -> repairs();
        }
    }

    private void varieties() {
        knownBy(VARIETIES, "name");
        is(VARIETIES, "notes", new Textual.FormattedText());
        order(VARIETIES, "season", Stream.of("Early", "Mid-season", "Late", "Very late")
                .map(text -> new Chosen.Option(text, Chosen.Colour.PLAIN)).toList());
        is(VARIETIES, "flavours", new Chosen.Choices(FLAVOURS));
        colours(VARIETIES, "use", Map.of("Eating", Chosen.Colour.MOSS, "Cooking", Chosen.Colour.MUSTARD,
                "Cider", Chosen.Colour.BRICK, "Drying", Chosen.Colour.SAND));
    }

    private static final List<Chosen.Option> FLAVOURS = Map.of(Chosen.Colour.SAND, List.of("aniseed", "nutty", "spiced"),
                    Chosen.Colour.MUSTARD, List.of("honeyed", "lemony", "pear-drop", "sweet"), Chosen.Colour.CLAY,
                    List.of("floral", "strawberry", "winey"), Chosen.Colour.SAGE, List.of("bittersweet", "sharp")).entrySet()
            .stream().flatMap(of -> of.getValue().stream().map(text -> new Chosen.Option(text, of.getKey())))
            .sorted(Comparator.comparing(Chosen.Option::text)).toList();

    private void members() {
        is(MEMBERS, "phone", new Textual.Phone());
        unique(MEMBERS, "e_mail");
        Table members = catalog.table(MEMBERS).orElseThrow();
        changes.change(members.knownBy(new FieldKey("name"), null, new FieldKey("e_mail")), OWNER);
    }

    /** The orchard's groups, by what their rows among the members say. */
    void groups() {
        List.of("Stewards", "Keepers", "Pickers").forEach(label ->
                catalog.keepGroup(new Group(GroupKey.from(label, Set.of()), label, Clause.fixed(new FieldKey("group"), Comparison.IS,
                        Value.of(label.toLowerCase(java.util.Locale.ROOT))).condition(), Set.of())));
    }

    private void trees() {
        knownBy(TREES, "tree");
        is(TREES, "variety", to(VARIETIES));
        is(TREES, "plot", to(PLOTS));
        is(TREES, "keeper", member());
        is(TREES, "suggested_pledge", new Numeric.Money(POUNDS));
        colours(TREES, "health", Map.of("Thriving", Chosen.Colour.MOSS, "Good", Chosen.Colour.SAGE,
                "Fair", Chosen.Colour.MUSTARD, "Poor", Chosen.Colour.BRICK));
        borrow(TREES, "Season", "variety", "season");
        borrow(TREES, "Row", "plot", "row");
        changes.addField(TREES, Field.computed(new FieldKey("called"), "Called", new Computed.Composed(List.of(
                piece("tree"), words(", "), piece("variety"), words(", row "), piece("row")))), OWNER);
        tally(VARIETIES, "Trees", TREES, "variety", Measure.COUNT, null, Condition.ALWAYS, null, Computed.Floor.NONE);
    }

    private void pickings() {
        is(PICKINGS, "tree", to(TREES));
        is(PICKINGS, "picker", member());
        unit(PICKINGS, "kilograms", "kg");
        tally(TREES, "Picked", PICKINGS, "tree", Measure.SUM, "kilograms", Condition.ALWAYS, null, Computed.Floor.NONE);
        unit(TREES, "picked", "kg");
        tally(TREES, "Picked this season", PICKINGS, "tree", Measure.SUM, "kilograms", new Condition.Compare(
                new FieldKey("day"), Operator.GREATER, new Operand.Today(-A_YEAR)), null, Computed.Floor.NONE);
        unit(TREES, "picked_this_season", "kg");
        needed(PICKINGS, "tree", "day", "kilograms");
    }

    private void pledges() {
        is(PLEDGES, "tree", to(TREES));
        is(PLEDGES, "member", member());
        is(PLEDGES, "amount", new Numeric.Money(POUNDS));
        tally(TREES, "Highest pledge", PLEDGES, "tree", Measure.GREATEST, "amount", Condition.ALWAYS, null,
                new Computed.Floor(null, new FieldKey("suggested_pledge")));
        needed(PLEDGES, "tree", "amount");
    }

    private void tastings() {
        is(TASTINGS, "variety", to(VARIETIES));
        is(TASTINGS, "taster", member());
        is(TASTINGS, "score", new Numeric.Rating(5));
        tally(VARIETIES, "Score", TASTINGS, "variety", Measure.AVERAGE, "score", Condition.ALWAYS, null,
                Computed.Floor.NONE);
    }

    private void workDays() {
        knownBy(WORK_DAYS, "work_day");
        is(WORK_DAYS, "begins", new Temporal.TimeOfDay());
        is(WORK_DAYS, "what_we_do", new Textual.FormattedText());
    }

    private void signUps() {
        is(SIGN_UPS, "work_day", new Referring.Reference(WORK_DAYS, OnRemoval.REMOVE_ALONG));
        is(SIGN_UPS, "member", member());
        tally(WORK_DAYS, "Places left", SIGN_UPS, "work_day", Measure.COUNT, null, Condition.ALWAYS,
                new FieldKey("places"), new Computed.Floor(Value.of(BigDecimal.ZERO), null));
        needed(SIGN_UPS, "work_day");
    }

    private void repairs() {
        needed(REPAIRS, "tool", "what_is_wrong");
        is(REPAIRS, "reported_by", member());
        is(REPAIRS, "cost", new Numeric.Money(POUNDS));
        order(REPAIRS, "state", List.of(new Chosen.Option("reported", Chosen.Colour.BRICK),
                new Chosen.Option("in the shop", Chosen.Colour.MUSTARD), new Chosen.Option("done", Chosen.Colour.MOSS),
                new Chosen.Option("given up", Chosen.Colour.SLATE)));
    }

    private static FieldType to(TableKey table) {
        return new Referring.Reference(table, OnRemoval.REFUSE);
    }

    private static FieldType member() {
        return new Referring.Person(MEMBERS, OnRemoval.CLEAR);
    }

    private void is(TableKey table, String field, FieldType type) {
        FieldKey key = new FieldKey(field);
        long misfits = changes.preview(table, key, type).misfits();
        if (misfits > 0) {
            throw new IllegalStateException(misfits + " values of the demo's " + table + "." + field + " do not fit");
        }
        changes.retype(table, key, type, OWNER);
    }

    private void needed(TableKey table, String... fields) {
        for (String field : fields) {
            Field each = field(table, field);
            changes.changeField(table, each.with(each.rules().requiring(true)), OWNER);
        }
    }

    private void unique(TableKey table, String field) {
        Field each = field(table, field);
        changes.changeField(table, each.with(each.rules().requiring(true).differing(true)), OWNER);
    }

    private void knownBy(TableKey table, String field) {
        unique(table, field);
        FieldKey key = new FieldKey(field);
        changes.change(catalog.table(table).orElseThrow().knownBy(key, key, null), OWNER);
    }

    private void unit(TableKey table, String field, String unit) {
        Field each = field(table, field);
        changes.changeField(table, each.explained(each.help(), unit), OWNER);
    }

    private void colours(TableKey table, String field, Map<String, Chosen.Colour> colours) {
        order(table, field, ((Chosen) field(table, field).type()).options().stream()
                .map(option -> new Chosen.Option(option.text(),
                        colours.getOrDefault(option.text(), Chosen.Colour.PLAIN))).toList());
    }

    private void order(TableKey table, String field, List<Chosen.Option> options) {
        Field each = field(table, field);
        changes.changeField(table, each.of(((Chosen) each.type()).offering(options)), OWNER);
    }

    private void borrow(TableKey table, String label, String through, String field) {
        changes.addField(table, Field.computed(FieldKey.from(label, Set.of()), label,
                new Computed.Borrowed(List.of(new FieldKey(through)), new FieldKey(field))), OWNER);
    }

    private void tally(TableKey table, String label, TableKey of, String by, Measure measure,
            @org.jspecify.annotations.Nullable String field, Condition where,
            @org.jspecify.annotations.Nullable FieldKey from, Computed.Floor floor) {
        changes.addField(table, Field.computed(FieldKey.from(label, Set.of()), label,
                new Computed.Tally(of, new FieldKey(by), measure, field == null ? null : new FieldKey(field), where, null,
                        from, floor)), OWNER);
    }

    private static Computed.Part piece(String field) {
        return new Computed.Part.OfField(new FieldKey(field));
    }

    private static Computed.Part words(String words) {
        return new Computed.Part.Words(words);
    }

    private Field field(TableKey table, String field) {
        return catalog.table(table).orElseThrow().field(new FieldKey(field));
    }
}
