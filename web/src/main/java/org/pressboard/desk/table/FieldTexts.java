package org.pressboard.desk.table;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Operand;
import org.pressboard.control.Control;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.table.Attached;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.words.Words;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Rules;
import org.pressboard.value.Value;

/** The texts of the inputs that a field as it is comes to. */
final class FieldTexts {

    private FieldTexts() {
    }

    static Map<String, List<String>> of(Field field, Words site) {
        Map<String, List<String>> texts = new LinkedHashMap<>();
        texts.put("label", List.of(field.label()));
        texts.put("help", List.of(field.help()));
        texts.put("unit", List.of(field.unit()));
        put(texts, "hidden", field.hidden());
        put(texts, "open", field.open());
        put(texts, "required", field.rules().required());
        put(texts, "unique", field.rules().unique());
        rules(texts, field, site);
        type(texts, field.type());
        field.computing().ifPresent(computed -> computed(texts, computed, site));
        return texts;
    }

    private static void put(Map<String, List<String>> texts, String name, boolean isSet) {
        if (isSet) {
            texts.put(name, List.of("yes"));
        }
    }

    private static void rules(Map<String, List<String>> texts, Field field, Words site) {
        Rules rules = field.rules();
        texts.put("least", List.of(typed(field, rules.least(), site)));
        texts.put("greatest", List.of(typed(field, rules.greatest(), site)));
        texts.put("begins", List.of(rules.shape().begins()));
        texts.put("characters", List.of(rules.shape().rest().name()));
        texts.put("shortest", List.of(Objects.toString(rules.shape().shortest(), "")));
        texts.put("longest", List.of(Objects.toString(rules.shape().longest(), "")));
        Operand start = field.start();
        if (start != null) {
            texts.put("startWith", List.of(OperandChoices.code(start)));
            texts.put("start", List.of(start instanceof Operand.Fixed(Value value) ? typed(field, value, site) : OperandChoices.typed(start)));
        }
    }

    private static String typed(Field field, @Nullable Value value, Words site) {
        return Control.of(field, value, site.written()).text();
    }

    private static void type(Map<String, List<String>> texts, FieldType type) {
        switch (type) {
            case Numeric.WholeNumber whole -> put(texts, "ungrouped", !whole.grouped());
            case Numeric.Decimal decimal -> texts.put("digits", List.of(String.valueOf(decimal.digits())));
            case Numeric.Percent percent -> texts.put("digits", List.of(String.valueOf(percent.digits())));
            case Numeric.Money money -> texts.put("currency", List.of(money.currency()));
            case Numeric.Rating rating -> texts.put("marks", List.of(String.valueOf(rating.most())));
            case Chosen chosen -> {
                List<String> options = chosen.options().stream().map(Chosen.Option::text).toList();
                texts.put("option", options);
                texts.put("optionWas", options);
                texts.put("colour", chosen.options().stream().map(option -> option.colour().name()).toList());
            }
            case Referring referring -> {
                texts.put("to", List.of(referring.to().name()));
                texts.put("onRemoval", List.of(referring.onRemoval().name()));
            }
            case Textual textual -> { }
            case Temporal temporal -> { }
            case FieldType.YesNo yesNo -> { }
            case Attached attached -> { }
        }
    }

    private static void computed(Map<String, List<String>> texts, Computed computed, Words site) {
        switch (computed) {
            case Computed.Borrowed borrowed -> texts.put("path", List.of(ComputedChoices.path(borrowed)));
            case Computed.Tally tally -> TallyForm.texts(texts, tally, site);
            case Computed.Noted noted -> texts.put("noted", List.of(noted.what().name()));
            case Computed.Composed composed -> {
                texts.put("partField", composed.parts().stream().map(part ->
                        part instanceof Computed.Part.OfField of ? of.field().name() : "").toList());
                texts.put("partWords", composed.parts().stream().map(part ->
                        part instanceof Computed.Part.Words words ? words.text() : "").toList());
            }
        }
    }
}
