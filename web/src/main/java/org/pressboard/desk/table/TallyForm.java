package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.desk.operand.SentTexts;
import org.pressboard.words.Words;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.Temporal;
import org.pressboard.value.FieldKey;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.springframework.util.MultiValueMap;

/** A tally as its owner describes it. */
final class TallyForm {

    /** So many conditions can be put together. */
    static final int CONDITIONS = 3;

    private static final String LAST_DAYS = "LAST_DAYS";
    private static final String FILLED = "FILLED";

    private final Tables tables;
    private final Table table;
    private final MultiValueMap<String, String> sent;
    private final Words site;
    private final Words desk;
    private final Map<String, String> problems;

    TallyForm(Tables tables, Table table, MultiValueMap<String, String> sent, Words site, Words desk,
            Map<String, String> problems) {
        this.tables = tables;
        this.table = table;
        this.sent = sent;
        this.site = site;
        this.desk = desk;
        this.problems = problems;
    }

    @Nullable Computed read() {
        Tables.Reference of = tables.referringTo(table.key()).stream().filter(reference -> first("of").equals(
                reference.from().key() + "/" + reference.by().key())).findFirst().orElse(null);
        Computed.Measure measure = List.of(Computed.Measure.values()).stream()
                .filter(each -> each.name().equals(first("measure"))).findFirst().orElse(Computed.Measure.COUNT);
        if (of == null) {
            problems.put("of", desk.say("desk.field.choose"));
            return null;
        }
        Field field = column(of.from(), first("ofField"));
        if (measure != Computed.Measure.COUNT && (field == null || !isFit(measure, field))) {
            problems.put("ofField", desk.say(measure.isOfNumbers() ? "desk.field.choose-number" : "desk.field.choose"));
            return null;
        }
        Field order = measure.isByOrder() ? column(of.from(), first("order")) : null;
        if (measure.isByOrder() && order == null) {
            problems.put("order", desk.say("desk.field.choose"));
            return null;
        }
        return new Computed.Tally(of.from().key(), of.by().key(), measure,
                measure == Computed.Measure.COUNT || field == null ? null : field.key(), conditions(of.from()),
                order == null ? null : order.key(), from(measure), floor(measure, field),
                sent.containsKey("ofSeen"));
    }

    private static boolean isFit(Computed.Measure measure, Field field) {
        return measure.isOfNumbers() ? field.type().isNumber()
                : measure.isByOrder() || field.type().hasRange() || field.type().isText();
    }

    private String first(String name) {
        return SentTexts.at(sent, name, 0);
    }

    private String at(String name, int index) {
        return SentTexts.at(sent, name, index);
    }

    private static @Nullable Field column(Table of, String name) {
        return of.columns().stream().filter(field -> field.key().name().equals(name)).findFirst().orElse(null);
    }

    private Condition conditions(Table of) {
        Condition all = Condition.ALWAYS;
        for (int i = 0; i < CONDITIONS; i++) {
            Field field = column(of, at("whereField", i));
            if (field != null) {
                all = all.and(condition(field, at("whereIs", i), at("whereValue", i).strip()));
            }
        }
        return all;
    }

    private Condition condition(Field field, String is, String text) {
        if (is.equals(FILLED)) {
            return Condition.isEmpty(field.key()).not();
        }
        if (is.equals(LAST_DAYS)) {
            if (!text.matches("\\d{1,5}") || !(field.type() instanceof Temporal.Date
                    || field.type() instanceof Temporal.DateTime)) {
                problems.put("where", desk.say("desk.field.days"));
                return Condition.ALWAYS;
            }
            return new Condition.Compare(field.key(), Operator.GREATER, new Operand.Today(-Integer.parseInt(text)));
        }
        Operator operator = field.type().comparisons().stream().filter(each -> each.name().equals(is)).findFirst()
                .orElse(Operator.EQUALS);
        Optional<Value> value = field.type().readTyped(text, TypedForm.of(site.language()));
        if (text.isEmpty() || value.isEmpty() || !field.type().comparisons().contains(operator)) {
            problems.put("where", desk.say("desk.field.bad-condition", field.label(), text));
            return Condition.ALWAYS;
        }
        return value.get() instanceof Value.Several several ? Condition.oneOf(field.key(), several.values())
                : Condition.compare(field.key(), operator, value.get());
    }

    private @Nullable FieldKey from(Computed.Measure measure) {
        Field field = column(table, first("from"));
        boolean isOfSums = measure == Computed.Measure.COUNT || measure == Computed.Measure.SUM;
        return field != null && field.type().isNumber() && field.isEntered() && isOfSums ? field.key() : null;
    }

    private Computed.Floor floor(Computed.Measure measure, @Nullable Field of) {
        Field field = column(table, first("floorField"));
        if (field != null && field.type().isNumber() && field.isEntered()) {
            return new Computed.Floor(null, field.key());
        }
        String text = first("floor").strip();
        if (text.isEmpty()) {
            return Computed.Floor.NONE;
        }
        Optional<Value> number = TypedForm.of(site.language()).number(text).map(Value::of);
        if (number.isEmpty() || (of != null && !of.type().isNumber() && measure != Computed.Measure.COUNT)) {
            problems.put("floor", desk.say("entry.misfit.decimal", text));
            return Computed.Floor.NONE;
        }
        return new Computed.Floor(number.get(), null);
    }

    /** The texts of the inputs that a tally as it is comes to. */
    static void texts(Map<String, List<String>> texts, Computed.Tally tally, Words site) {
        if (tally.ofSeen()) {
            texts.put("ofSeen", List.of("yes"));
        }
        texts.put("of", List.of(tally.table() + "/" + tally.by()));
        texts.put("measure", List.of(tally.measure().name()));
        texts.put("ofField", List.of(name(tally.field())));
        texts.put("order", List.of(name(tally.order())));
        texts.put("from", List.of(name(tally.from())));
        texts.put("floorField", List.of(name(tally.floor().field())));
        texts.put("floor", List.of(tally.floor().number() == null ? ""
                : site.written().ungrouped(org.pressboard.table.Numeric.number(tally.floor().number()))));
        List<Condition> parts = tally.where() instanceof Condition.All(List<Condition> all) ? all
                : List.of(tally.where());
        List<String> fields = new ArrayList<>();
        List<String> comparisons = new ArrayList<>();
        List<String> values = new ArrayList<>();
        for (Condition part : parts) {
            switch (part) {
                case Condition.Compare(FieldKey field, Operator operator, Operand.Fixed(Value value)) ->
                        add(field, operator.name(), typed(value, site), fields, comparisons, values);
                case Condition.Compare(FieldKey field, Operator operator, Operand.Today(int days)) ->
                        add(field, LAST_DAYS, String.valueOf(-days), fields, comparisons, values);
                case Condition.Not(Condition.Empty(FieldKey field)) ->
                        add(field, FILLED, "", fields, comparisons, values);
                case Condition.OneOf(FieldKey field, List<Value> some) -> add(field, Operator.EQUALS.name(),
                        org.pressboard.value.PlainForm.write(new Value.Several(some)), fields, comparisons, values);
                default -> { }
            }
        }
        texts.put("whereField", fields);
        texts.put("whereIs", comparisons);
        texts.put("whereValue", values);
    }

    private static String typed(Value value, Words site) {
        return value instanceof Value.Decimal decimal ? site.written().ungrouped(decimal.number())
                : org.pressboard.value.PlainForm.write(value);
    }

    private static void add(FieldKey field, String comparison, String value, List<String> fields,
            List<String> comparisons, List<String> values) {
        fields.add(field.name());
        comparisons.add(comparison);
        values.add(value);
    }

    private static String name(@Nullable FieldKey key) {
        return key == null ? "" : key.name();
    }
}
