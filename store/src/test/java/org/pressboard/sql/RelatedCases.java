package org.pressboard.sql;

import java.math.BigDecimal;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.condition.Standpoint;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/**
 * Makers and their tools, with a field of every kind, references, and fields that are worked out; their rows, at random;
 * and what the computed fields come to, worked out in memory by their definition.
 */
final class RelatedCases {

    static final FieldKey NAME = new FieldKey("name");
    static final FieldKey RATE = new FieldKey("rate");
    static final FieldKey SINCE = new FieldKey("since");
    static final FieldKey MADE = new FieldKey("made");
    static final FieldKey MAKER = new FieldKey("maker");
    static final FieldKey MENDERS = new FieldKey("menders");
    static final FieldKey PRICE = new FieldKey("price");

    private static final List<String> TEXTS = List.of("Åsby", "Straße", "a_b", "100%", "it's", "zoe", "Zoë", "x\ny", "");

    final Table makers;
    final Table tools;

    /** @param number tells the tables from those of other tests */
    RelatedCases(int number) {
        TableKey makersKey = new TableKey("makers_" + number);
        TableKey toolsKey = new TableKey("tools_" + number);
        makers = new Table(makersKey, "Makers", new Fields(List.of(
                new Field(NAME, "Name", new Textual.Text()),
                new Field(RATE, "Rate", new Numeric.Percent(1)),
                new Field(SINCE, "Since", new Temporal.Date()),
                Field.computed(MADE, "Made", new Computed.Tally(toolsKey, MAKER, Computed.Measure.SUM, PRICE,
                        Condition.compare(new FieldKey("sharp"), Operator.EQUALS, Value.of(true)), null, null,
                        new Computed.Floor(Value.of(new BigDecimal("2")), null))))));
        tools = new Table(toolsKey, "Tools", new Fields(List.of(
                new Field(NAME, "Name", new Textual.Text()),
                new Field(new FieldKey("remark"), "Remark", new Textual.FormattedText()),
                new Field(new FieldKey("phone"), "Phone", new Textual.Phone()),
                new Field(PRICE, "Price", new Numeric.Money("EUR")),
                new Field(new FieldKey("marks"), "Marks", new Numeric.Rating(5)),
                new Field(new FieldKey("sharp"), "Sharp", new FieldType.YesNo()),
                new Field(new FieldKey("opens"), "Opens", new Temporal.TimeOfDay()),
                new Field(new FieldKey("seen"), "Seen", new Temporal.DateTime()),
                new Field(new FieldKey("state"), "State", Chosen.Choice.of(List.of("new", "worn"))),
                new Field(new FieldKey("uses"), "Uses", new Chosen.Choices(List.of(
                        new Chosen.Option("cut", Chosen.Colour.MOSS), new Chosen.Option("dig", Chosen.Colour.BRICK),
                        new Chosen.Option("carry", Chosen.Colour.PLAIN)))),
                new Field(MAKER, "Maker", new Referring.Reference(makersKey, Referring.OnRemoval.REFUSE)),
                new Field(MENDERS, "Menders", new Referring.References(makersKey, Referring.OnRemoval.CLEAR)),
                new Field(new FieldKey("shots"), "Shots", new org.pressboard.table.Attached.Pictures()),
                new Field(new FieldKey("manual"), "Manual", new org.pressboard.table.Attached.File()),
                Field.computed(new FieldKey("maker_rate"), "Rate of maker",
                        new Computed.Borrowed(List.of(MAKER), RATE)),
                Field.computed(new FieldKey("maker_made"), "Made by maker",
                        new Computed.Borrowed(List.of(MAKER), MADE)),
                Field.computed(new FieldKey("maker_since"), "Maker since",
                        new Computed.Borrowed(List.of(MAKER), SINCE)),
                Field.computed(new FieldKey("called"), "Called", new Computed.Composed(List.of(
                        new Computed.Part.OfField(NAME), new Computed.Part.Words(" by "),
                        new Computed.Part.OfField(MAKER)))))));
    }

    Tables tables() {
        return Tables.of(List.of(makers, tools));
    }

    static List<Row> rows(Table table, List<Row> makers, RandomGenerator random, int count) {
        List<Row> rows = new ArrayList<>();
        for (long id = 1; id <= count; id++) {
            Map<FieldKey, @Nullable Value> values = new HashMap<>();
            for (Field field : table.entered()) {
                Value value = random.nextInt(4) == 0 ? null : value(field.type(), makers, random);
                // rows of which the name is no text at all are not called anything
                values.put(field.key(), makers.isEmpty() && Value.of("").equals(value) ? null : value);
            }
            rows.add(Row.of(new RowId(id), values));
        }
        return rows;
    }

    private static Value value(FieldType type, List<Row> makers, RandomGenerator random) {
        return switch (type) {
            case Textual textual -> Value.of(Cases.pick(TEXTS, random));
            case Numeric.Rating rating -> Value.of(random.nextLong(0, 4));
            case Numeric numeric -> Value.of(new BigDecimal(Cases.pick(List.of("1", "1.50", "-2.25", "0", "7"), random)));
            case FieldType.YesNo yesNo -> Value.of(random.nextBoolean());
            case Temporal.Date date -> Value.of(Cases.TODAY.plusDays(random.nextInt(-3, 4)));
            case Temporal.DateTime moment -> Value.of(Cases.TODAY.atStartOfDay().plusHours(random.nextInt(-48, 49)));
            case Temporal.TimeOfDay time -> Value.of(LocalTime.of(random.nextInt(0, 4), 30));
            case Chosen.Choice choice -> Value.of(Cases.pick(List.of("new", "worn"), random));
            case Chosen.Choices choices -> new Value.Several(Cases.pick(List.of(List.of(Value.of("cut")),
                    List.of(Value.of("dig"), Value.of("cut")), List.<Value>of(Value.of("carry"))), random));
            case Referring.References references -> new Value.Several(Stream.generate(() -> Cases.pick(makers, random))
                    .limit(random.nextInt(1, 4)).<Value>map(maker -> new Value.Referred(maker.id(), "")).toList());
            case Referring referring -> new Value.Referred(Cases.pick(makers, random).id(), "");
            case org.pressboard.table.Attached attached -> attached(attached.isSeveral(), random);
        };
    }

    private static Value attached(boolean several, RandomGenerator random) {
        Value one = new Value.Attachment(random.nextBoolean() ? "" : "ab".repeat(32), 
                Cases.pick(List.of("a_b.svg", "Zoë.png", "100%.gif"), random));
        return several ? new Value.Several(List.of(one, new Value.Attachment("", "other.png"))) : one;
    }

    /** The makers with what was made of their tools. */
    static List<Row> worked(List<Row> makers, List<Row> tools) {
        return makers.stream().map(maker -> {
            BigDecimal sum = tools.stream().filter(tool -> refersTo(tool, maker)
                            && tool.find(new FieldKey("sharp")).equals(Optional.of(Value.of(true))))
                    .map(tool -> tool.find(PRICE)).flatMap(Optional::stream).map(Numeric::number)
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            return with(maker, Map.of(MADE, Value.of(sum.max(new BigDecimal("2")))));
        }).toList();
    }

    private static boolean refersTo(Row tool, Row maker) {
        return tool.get(MAKER) instanceof Value.Referred referred && referred.row() == maker.id();
    }

    /** The tools with what they borrow of the makers that are seen, and what is put together. */
    static List<Row> worked(List<Row> tools, List<Row> makers, Condition seen, Standpoint standpoint) {
        return tools.stream().map(tool -> {
            Optional<Row> maker = makers.stream().filter(each -> refersTo(tool, each) && seen.holds(each, standpoint))
                    .findFirst();
            Map<FieldKey, @Nullable Value> more = new HashMap<>();
            more.put(MENDERS, menders(tool, makers, seen, standpoint));
            String name = maker.flatMap(row -> row.find(NAME)).map(PlainForm::write).orElse("");
            more.put(MAKER, maker.<Value>map(row -> new Value.Referred(row.id(), name)).orElse(null));
            more.put(new FieldKey("maker_rate"), maker.map(row -> row.get(RATE)).orElse(null));
            more.put(new FieldKey("maker_made"), maker.map(row -> row.get(MADE)).orElse(null));
            more.put(new FieldKey("maker_since"), maker.map(row -> row.get(SINCE)).orElse(null));
            String own = tool.find(NAME).map(PlainForm::write).orElse("");
            boolean isNamed = tool.find(NAME).isPresent() || maker.flatMap(row -> row.find(NAME)).isPresent();
            more.put(new FieldKey("called"), isNamed ? Value.of(own + " by " + name) : null);
            return with(tool, more);
        }).toList();
    }

    private static @Nullable Value menders(Row tool, List<Row> makers, Condition seen, Standpoint standpoint) {
        Value menders = tool.get(MENDERS);
        List<Value> visible = menders == null ? List.of() : menders.each().stream().map(each -> (Value.Referred) each)
                .flatMap(each -> makers.stream().filter(maker -> maker.id() == each.row() && seen.holds(maker, standpoint)))
                .<Value>map(maker -> new Value.Referred(maker.id(), maker.find(NAME).map(PlainForm::write).orElse("")))
                .toList();
        return visible.isEmpty() ? null : new Value.Several(visible);
    }

    private static Row with(Row row, Map<FieldKey, ? extends @Nullable Value> more) {
        Map<FieldKey, @Nullable Value> values = new HashMap<>(row.values());
        values.putAll(more);
        return Row.of(row.id(), values);
    }

    /** A condition at most so deep on these fields. */
    static Condition condition(List<Field> fields, List<Row> makers, RandomGenerator random, int depth) {
        return switch (random.nextInt(depth > 0 ? 7 : 4)) {
            case 0, 1 -> compare(Cases.pick(fields, random), makers, random);
            case 2 -> random.nextBoolean() ? Condition.isEmpty(Cases.pick(fields, random).key())
                    : oneOf(Cases.pick(fields, random), makers, random);
            case 3 -> mentions(fields, random);
            case 4 -> new Condition.All(parts(fields, makers, random, depth));
            case 5 -> new Condition.Any(parts(fields, makers, random, depth));
            default -> condition(fields, makers, random, depth - 1).not();
        };
    }

    private static List<Condition> parts(List<Field> fields, List<Row> makers, RandomGenerator random, int depth) {
        List<Condition> parts = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            parts.add(condition(fields, makers, random, depth - 1));
        }
        return parts;
    }

    private static Condition mentions(List<Field> fields, RandomGenerator random) {
        List<Field> texts = fields.stream().filter(field -> field.type().isText())
                .filter(field -> random.nextInt(3) > 0).toList();
        return new Condition.Mentions(texts.stream().map(Field::key).toList(),
                Cases.pick(List.of("asby", "STRASSE", "zoe", "_", "%", "by", "x\ny", "a"), random));
    }

    private static Condition compare(Field field, List<Row> makers, RandomGenerator random) {
        boolean letters = field.type() instanceof Referring && random.nextBoolean();
        Operator operator = letters ? Operator.CONTAINS
                : Cases.pick(List.copyOf(field.type().comparisons()).stream().sorted().toList(), random);
        boolean isDay = field.type() instanceof Temporal.Date || field.type() instanceof Temporal.DateTime;
        if (isDay && random.nextInt(3) == 0) {
            return new Condition.Compare(field.key(), operator, new Operand.Today(random.nextInt(-2, 3)));
        }
        Value value = operator.isForText() || letters ? Value.of(Cases.pick(TEXTS, random))
                : Objects.requireNonNull(value(field.type(), makers, random)).each().getFirst();
        return Condition.compare(field.key(), operator, value);
    }

    private static Condition oneOf(Field field, List<Row> makers, RandomGenerator random) {
        List<Value> values = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            values.addAll(value(field.type(), makers, random).each());
        }
        return Condition.oneOf(field.key(), values);
    }
}
