package org.pressboard.condition;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/**
 * The suite of conditions and rows that memory and PostgreSQL must answer alike: a table with a field of each kind,
 * rows full of odd texts and absent values, and conditions as they happen.
 */
public final class Cases {

    public static final FieldKey NAME = new FieldKey("name");
    public static final FieldKey NOTES = new FieldKey("notes");
    public static final FieldKey USE = new FieldKey("use");
    public static final FieldKey KEEPER = new FieldKey("keeper");
    public static final FieldKey WEEKS = new FieldKey("weeks");
    public static final FieldKey SUGAR = new FieldKey("sugar");
    public static final FieldKey RARE = new FieldKey("rare");
    public static final FieldKey PLANTED = new FieldKey("planted");
    public static final FieldKey SEEN = new FieldKey("seen");

    public static final Table TABLE = new Table(new TableKey("apples"), "Apples", new Fields(List.of(
            new Field(NAME, "Name", new Textual.Text()),
            new Field(NOTES, "Notes", new Textual.LongText()),
            new Field(USE, "Use", Chosen.Choice.of(List.of("Eating", "Cooking", "Cider"))),
            new Field(KEEPER, "Keeper", new Textual.Email()),
            new Field(WEEKS, "Weeks", new Numeric.WholeNumber(true)),
            new Field(SUGAR, "Sugar", new Numeric.Decimal(1)),
            new Field(RARE, "Rare", new FieldType.YesNo()),
            new Field(PLANTED, "Planted", new Temporal.Date()),
            new Field(SEEN, "Seen", new Temporal.DateTime()))));

    public static final LocalDate TODAY = LocalDate.of(2026, 3, 14);
    public static final Standpoint MIRA = Standpoint.of(new Onlooker("mira@example.org", "", null), TODAY);
    public static final Standpoint NOBODY = Standpoint.of(Onlooker.NOBODY, TODAY);

    private static final List<String> TEXTS = List.of("Åsby", "åSBY", "Straße", "STRASSE", "100% sure", "a_b", "a\\b",
            "it's", "", " ", "Zoë", "zoe", "x\ny", "ÉDITH", "édith", "日本", "\uD83C\uDF4F apple", "%", "_", "Cider");
    private static final List<String> KEEPERS = List.of("mira@example.org", "tomas@example.org", "odile@example.org");
    private static final List<String> USES = List.of("Eating", "Cooking", "Cider");

    private Cases() {
    }

    /** The same numbers from the same seed, on every machine. */
    public static RandomGenerator random(long seed) {
        return RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
    }

    /** The table with the kinds of its fields among each other, as if its owner had changed them. */
    public static Table shuffled(RandomGenerator random) {
        List<FieldType> types = new ArrayList<>(TABLE.fields().stream().map(Field::type).toList());
        Collections.shuffle(types, random);
        return TABLE.with(new Fields(TABLE.fields().stream().map(field -> field.of(types.removeFirst())).toList()));
    }

    public static List<Row> rows(RandomGenerator random, int count) {
        return rows(TABLE, random, count);
    }

    /** Rows of that table, whose fields may be of other kinds than those of {@link #TABLE}. */
    public static List<Row> rows(Table table, RandomGenerator random, int count) {
        List<Row> rows = new ArrayList<>();
        for (long id = 1; id <= count; id++) {
            Map<FieldKey, @Nullable Value> values = new HashMap<>();
            for (Field field : table.fields()) {
                FieldKey kind = TABLE.fields().stream().filter(each -> each.type().equals(field.type())).findFirst().orElseThrow().key();
                values.put(field.key(), random.nextInt(4) == 0 ? null : value(kind, random));
            }
            rows.add(Row.of(new RowId(id), values));
        }
        return rows;
    }

    public static Value value(FieldKey field, RandomGenerator random) {
        return switch (field.name()) {
            case "name", "notes" -> Value.of(pick(TEXTS, random));
            case "use" -> Value.of(pick(USES, random));
            case "keeper" -> Value.of(pick(KEEPERS, random));
            case "weeks" -> Value.of(random.nextLong(-3, 4));
            case "sugar" -> Value.of(new BigDecimal(pick(List.of("1", "1.0", "1.50", "-2.25", "0", "100"), random)));
            case "rare" -> Value.of(random.nextBoolean());
            case "planted" -> Value.of(TODAY.plusDays(random.nextInt(-3, 4)));
            case "seen" -> Value.of(TODAY.atStartOfDay().plusHours(random.nextInt(-48, 49)));
            default -> throw new IllegalArgumentException(field.name());
        };
    }

    /** A condition at most so deep. */
    public static Condition condition(RandomGenerator random, int depth) {
        return switch (random.nextInt(depth > 0 ? 7 : 4)) {
            case 0, 1 -> compare(random);
            case 2 -> switch (random.nextInt(3)) {
                case 0 -> Condition.isEmpty(field(random));
                case 1 -> oneOf(random);
                default -> between(random);
            };
            case 3 -> mentions(random);
            case 4 -> new Condition.All(parts(random, depth));
            case 5 -> new Condition.Any(parts(random, depth));
            default -> condition(random, depth - 1).not();
        };
    }

    private static List<Condition> parts(RandomGenerator random, int depth) {
        List<Condition> parts = new ArrayList<>();
        int count = random.nextInt(4);
        for (int i = 0; i < count; i++) {
            parts.add(condition(random, depth - 1));
        }
        return parts;
    }

    private static Condition compare(RandomGenerator random) {
        FieldKey field = field(random);
        boolean isText = TABLE.field(field).type().isText();
        List<Operator> operators = List.of(Operator.values()).stream()
                .filter(operator -> isText || !operator.isForText()).toList();
        return new Condition.Compare(field, pick(operators, random), operand(field, random));
    }

    private static Condition between(RandomGenerator random) {
        FieldKey field = pick(List.of(WEEKS, SUGAR, PLANTED, SEEN), random);
        return new Condition.Between(field, operand(field, random), operand(field, random));
    }

    private static Condition mentions(RandomGenerator random) {
        List<FieldKey> texts = TABLE.fields().keysWhere(FieldType::isText);
        return new Condition.Mentions(texts.subList(random.nextInt(texts.size()), texts.size()),
                pick(List.of("å", "STRASSE", "edith", "1", "%", "_b", "\\", "x\ny", "cid"), random));
    }

    private static Operand operand(FieldKey field, RandomGenerator random) {
        return random.nextInt(2) == 0 ? new Operand.Fixed(value(field, random)) : pick(operands(field, random), random);
    }

    /** What a field can be compared with besides fixed values, of every kind that there is. */
    static List<Operand> operands(FieldKey field, RandomGenerator random) {
        FieldType type = TABLE.field(field).type();
        List<Operand> operands = new ArrayList<>(List.of(new Operand.Dial(field.name())));
        TABLE.fields().stream().filter(other -> other.type().held() == type.held()).forEach(other -> operands.add(new Operand.OfOpen(other.key())));
        if (type.hasRange() && (field.equals(PLANTED) || field.equals(SEEN))) {
            operands.addAll(List.of(new Operand.Today(random.nextInt(-2, 3)), new Operand.Beginning(pick(List.of(Operand.Span.values()), random),
                    random.nextInt(-1, 2))));
        }
        if (type.isText()) {
            operands.addAll(List.of(Operand.OfVisitor.EMAIL, Operand.OfVisitor.NAME, new Operand.OfPage(Operand.PagePart.TITLE),
                    new Operand.OfPage(Operand.PagePart.ADDRESS)));
        }
        return operands;
    }

    /** Somebody on a page, at an open row, with dials set; each of it perhaps not. */
    public static Standpoint standpoint(Onlooker who, RandomGenerator random) {
        Map<String, Value> dials = new HashMap<>();
        for (Field field : TABLE.fields()) {
            if (random.nextBoolean()) {
                dials.put(field.key().name(), value(field.key(), random));
            }
        }
        return Standpoint.of(who, TODAY).on(random.nextBoolean() ? new Standpoint.OnPage(pick(TEXTS, random), "cider") : null)
                .at(random.nextBoolean() ? rows(random, 1).getFirst() : null).turning(dials);
    }

    private static Condition oneOf(RandomGenerator random) {
        FieldKey field = field(random);
        List<Value> values = new ArrayList<>();
        int count = random.nextInt(3);
        for (int i = 0; i < count; i++) {
            values.add(value(field, random));
        }
        return Condition.oneOf(field, values);
    }

    private static FieldKey field(RandomGenerator random) {
        return pick(TABLE.fields().all(), random).key();
    }

    public static <T> T pick(List<T> from, RandomGenerator random) {
        return from.get(random.nextInt(from.size()));
    }

    /** A row with one name and nothing else. */
    public static Row named(String name) {
        return new Row(new RowId(1), Map.of(NAME, Value.of(name)));
    }

    public static LocalDateTime midnight() {
        return TODAY.atStartOfDay();
    }
}
