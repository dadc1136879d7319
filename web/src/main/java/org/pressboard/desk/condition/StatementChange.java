package org.pressboard.desk.condition;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Phrase;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.desk.operand.SentTexts;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Comparisons;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.springframework.util.MultiValueMap;

/** Changes which rows are meant, as the desk asks. */
public final class StatementChange {

    private static final int MOST_STATEMENTS = 20;
    private static final String WITH = "with.";
    private static final int MOST_DAYS = 36_600;

    private final OperandChoices choices;
    private final Table table;
    private final MultiValueMap<String, String> sent;
    private final TypedForm language;

    StatementChange(OperandChoices choices, MultiValueMap<String, String> sent, TypedForm language) {
        this.choices = choices;
        this.table = choices.operands().table();
        this.sent = sent;
        this.language = language;
    }

    /** @throws ProblemsFound when a statement lacks something */
    public Condition of(Condition keep, String what) {
        Phrase.Group all = Phrase.read(keep);
        Phrase.Group changed = switch (what) {
            case "keep.add" -> all.adding(place(), new Phrase.Statement(clause()));
            case "keep.group" -> all.adding(place(), new Phrase.Group(all.mode() == Phrase.Mode.ANY
                    ? Phrase.Mode.ALL : Phrase.Mode.ANY, List.of(new Phrase.Statement(clause()))));
            case "keep.set" -> all.with(place(), new Phrase.Statement(clause()));
            case "keep.mode" -> all.meant(place(), mode());
            case "keep.remove" -> all.without(place());
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
        if (changed.size() > MOST_STATEMENTS) {
            throw ProblemsFound.of("bench.many-statements", MOST_STATEMENTS);
        }
        return changed.condition();
    }

    private List<Integer> place() {
        String at = first("at");
        return at.matches("\\d{1,2}(\\.\\d{1,2}){0,5}") ? Arrays.stream(at.split("\\.")).map(Integer::valueOf).toList()
                : List.of();
    }

    private Phrase.Mode mode() {
        return Arrays.stream(Phrase.Mode.values()).filter(mode -> mode.name().equals(first("mode"))).findFirst()
                .orElse(Phrase.Mode.ALL);
    }

    /** @throws ProblemsFound when it lacks something */
    public Clause clause() {
        Field field = field();
        Comparison is = is(field);
        Clause clause = new Clause(field.key(), is, is.isOfOperands() ? operands(field, is) : values(field, is));
        boolean isWhole = is.isOfSeveral() ? !clause.operands().isEmpty() : clause.operands().size() == is.operands();
        if (!isWhole) {
            throw ProblemsFound.of(is.isOfCount() ? "bench.no-days" : "bench.no-value", field.label());
        }
        return clause;
    }

    /** The statement as it stands before it is whole, with what was typed, whether or not it fits. */
    public Clause begun() {
        Field field = field();
        Comparison is = is(field);
        if (!is.isOfOperands()) {
            return Clause.fixed(field.key(), is, texts(is).stream().map(Value::of).toArray(Value[]::new));
        }
        List<Operand> operands = new ArrayList<>();
        for (int i = 0; i < is.operands(); i++) {
            operands.add(begun(field, i));
        }
        return new Clause(field.key(), is, operands);
    }

    private Operand begun(Field field, int at) {
        Operand text = new Operand.Fixed(Value.of(value(at)));
        return choices.begun(field, first(WITH + at), value(at)).or(() -> choices.read(field, first(WITH + at), value(at), typed -> text))
                .orElse(text);
    }

    /** One after the other; of those that have nothing to type an empty text is sent along. */
    private List<Operand> operands(Field field, Comparison is) {
        List<Operand> operands = new ArrayList<>();
        for (int i = 0; i < is.operands(); i++) {
            choices.read(field, first(WITH + i), value(i), text -> new Operand.Fixed(value(field, is, text)))
                    .ifPresent(operands::add);
        }
        return operands;
    }

    private String value(int at) {
        return SentTexts.at(sent, "value", at).strip();
    }

    private List<Operand> values(Field field, Comparison is) {
        return texts(is).stream().<Operand>map(text -> new Operand.Fixed(value(field, is, text))).toList();
    }

    private Field field() {
        return table.fields().stream().filter(each -> each.key().name().equals(first("field"))).findFirst()
                .orElseThrow(() -> ProblemsFound.of("bench.no-field"));
    }

    private Comparison is(Field field) {
        return Comparisons.offered(field).stream().filter(each -> each.name().equals(first("is"))).findFirst()
                .orElseGet(() -> Comparisons.offered(field).iterator().next());
    }

    private List<String> texts(Comparison is) {
        List<String> texts = sent.getOrDefault("value", List.of()).stream().map(String::strip)
                .filter(text -> !text.isEmpty()).toList();
        return is.isOfSeveral() ? texts.stream().distinct().toList() : texts.stream().limit(is.operands()).toList();
    }

    private Value value(Field field, Comparison is, String text) {
        Optional<Value> value = is.isOfCount() ? PlainForm.whole(text).filter(StatementChange::isSoMany)
                : is == Comparison.CONTAINS || is == Comparison.CONTAINS_NOT || is == Comparison.BEGINS
                        ? Optional.of(Value.of(text)) : read(field, text);
        return value.orElseThrow(() -> ProblemsFound.of("bench.misfit", field.label(), text));
    }

    private static boolean isSoMany(Value days) {
        return days instanceof Value.Whole(long number) && number >= 0 && number <= MOST_DAYS;
    }

    /** One value, also of fields that have several. */
    private Optional<Value> read(Field field, String text) {
        boolean isPlain = field.type() instanceof Referring || field.type() instanceof Temporal;
        return (isPlain ? field.type().read(text) : field.type().readTyped(text, language))
                .map(value -> value.each().getFirst());
    }

    private String first(String name) {
        return Optional.ofNullable(sent.getFirst(name)).orElse("");
    }
}
