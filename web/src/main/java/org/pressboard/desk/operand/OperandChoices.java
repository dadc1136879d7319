package org.pressboard.desk.operand;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Operand;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.words.Words;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Operands;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;

/**
 * The one picker of operands, and the one reader of what was picked. A choice is sent as a short code; beside those of which
 * something is to be typed stands an input.
 *
 * @param operands what can be chosen at the place
 */
public record OperandChoices(Operands operands, Words desk) {

    private static final String FIXED = "fixed";
    private static final String DAYS = "days";
    /** So many days at most, either way, are near enough to a hundred years. */
    private static final String NUMBER = "[+-]?([12]?\\d{1,4}|3[0-5]\\d{3})";

    /** Something that can be chosen. */
    public record Item(String value, String text, boolean chosen) {
    }

    /** What the field can be set to, or begin with; a row referred to is not typed. */
    public List<Item> of(Field field, @Nullable Operand now) {
        List<Operand> offered = new ArrayList<>(operands.offered(field));
        List<Operand> days = offered.stream().filter(each -> each.origin().filter(Operand.Origin.CLOCK::equals).isPresent()).toList();
        offered.removeAll(days);
        // of days mostly today is meant
        return Stream.concat(choices(days, now, false).stream(), choices(offered, now, !(field.type() instanceof Referring)).stream()).toList();
    }

    /** With what the field can be compared so; none where there are only values to type. */
    public List<Item> comparing(Field field, Comparison is, Operand now) {
        List<Operand> offered = new ArrayList<>(operands.offered(field, is));
        if (!isFixed(now) && !(now instanceof Operand.Today) && !offered.contains(now)) {
            offered.add(now);
        }
        return offered.isEmpty() ? List.of() : choices(offered, now, true);
    }

    private List<Item> choices(List<Operand> offered, @Nullable Operand now, boolean canBeTyped) {
        List<Item> choices = new ArrayList<>();
        if (canBeTyped) {
            choices.add(new Item(FIXED, desk.say("operand.fixed"), isFixed(now)));
        }
        for (Operand operand : offered) {
            choices.add(new Item(code(operand), called(operand), operand.equals(now)));
            if (operand.equals(new Operand.Today(0))) {
                choices.add(new Item(DAYS, desk.say("operand.days"), now instanceof Operand.Today(int on) && on != 0));
            }
        }
        return choices;
    }

    /** Whether it is a value that was typed. */
    public static boolean isFixed(@Nullable Operand operand) {
        return operand instanceof Operand.Fixed;
    }

    /** Whether something is typed beside the choice. */
    public static boolean isTyped(@Nullable Operand operand) {
        return isFixed(operand) || (operand instanceof Operand.Today(int on) && on != 0);
    }

    /**
     * What was picked.
     *
     * @param code  of the choice; empty: there was nothing to choose, it is typed
     * @param typed reads a fixed value, and refuses what is none
     * @return empty where nothing was picked that is offered
     * @throws ProblemsFound when what was typed does not fit
     */
    public Optional<Operand> read(Field field, String code, String text, Function<String, Operand> typed) {
        if (code.isEmpty() || code.equals(FIXED)) {
            return text.isEmpty() ? Optional.empty() : Optional.of(typed.apply(text));
        }
        if (code.equals(DAYS)) {
            return text.isEmpty() ? Optional.empty() : Optional.of(days(field, text)).filter(days -> operands.isOffered(field, days));
        }
        return operands.offered(field).stream().filter(each -> code(each).equals(code)).findFirst();
    }

    /** So many days, as long as it is not said how many, or what was said is no number; empty: something else was picked. */
    public Optional<Operand> begun(Field field, String code, String text) {
        return !code.equals(DAYS) || text.matches(NUMBER) ? Optional.empty()
                : Optional.<Operand>of(new Operand.Today(1)).filter(days -> operands.isOffered(field, days));
    }

    /**
     * What was picked for a field that is to be set to it, or begins with it.
     *
     * @return empty where nothing was
     * @throws ProblemsFound when what was typed does not fit
     */
    public Optional<Operand> set(Field field, String code, String text) {
        return code.isEmpty() ? Optional.empty() : read(field, code, text.strip(), typed -> fixed(field, typed));
    }

    private static Operand fixed(Field field, String text) {
        Optional<Value> value = field.type() instanceof Chosen ? field.type().readTyped(text, TypedForm.of(Locale.UK))
                : field.type().read(text);
        return new Operand.Fixed(value.orElseThrow(() -> ProblemsFound.of("bench.form.misfit", text, field.label())));
    }

    /** What can be typed as a fixed value; empty: whatever the field takes. */
    public List<String> options(Field field) {
        return field.type() instanceof Chosen chosen ? chosen.options().stream().map(Chosen.Option::text).toList() : List.of();
    }

    /** What a field is set to. */
    public String said(Field field, Operand operand) {
        return said(operand, value -> desk.quoted(desk.written(field, value)));
    }

    /** What was typed, as it is typed again. */
    public static String typed(@Nullable Operand operand) {
        return switch (operand) {
            case Operand.Fixed(Value value) -> PlainForm.write(value);
            case Operand.Today(int on) when on != 0 -> String.valueOf(on);
            case null, default -> "";
        };
    }

    private static Operand days(Field field, String text) {
        if (!text.matches(NUMBER)) {
            throw ProblemsFound.of("bench.misfit", field.label(), text);
        }
        return new Operand.Today(Integer.parseInt(text));
    }

    /** What it is, in words. */
    public String said(Operand operand, Function<Value, String> fixed) {
        return operand instanceof Operand.Fixed(Value value) ? fixed.apply(value) : called(operand);
    }

    private String called(Operand operand) {
        return switch (operand) {
            case Operand.Fixed fixed -> desk.say("operand.fixed");
            case Operand.OfVisitor(var part, var field) when field != null -> operands.tables().people().map(operands.tables()::get)
                    .flatMap(people -> people.fields().find(field)).map(of -> desk.say("operand.of", of.label()))
                    .orElseGet(() -> desk.say("operand.of-gone"));
            case Operand.OfVisitor visitor -> desk.say("operand." + code(visitor));
            case Operand.OfPage page -> desk.say("operand." + code(page));
            case Operand.OfReferred(var way) -> called(way, "operand.referred");
            case Operand.OfOpen(var way) -> called(way, "operand.open");
            case Operand.Dial(String name) -> desk.say("operand.dial", name);
            case Operand.Today(int on) -> desk.say(on == 0 ? "operand.today" : on > 0 ? "operand.days-on" : "operand.days-back", Math.abs(on));
            case Operand.Beginning(var span, int on) -> desk.say("operand.begin." + span, on);
        };
    }

    private String called(FieldKey way, String code) {
        Table table = operands.tables().reaching(operands.table(), List.of(way));
        return table.fields().find(way).map(field -> desk.say(code, field.label())).orElseGet(() -> desk.say(code + "-gone"));
    }

    /** As what it is sent. */
    public static String code(Operand operand) {
        return switch (operand) {
            case Operand.Fixed fixed -> FIXED;
            case Operand.OfVisitor(var part, var field) -> switch (part) {
                case EMAIL -> "email";
                case NAME -> "name";
                case ROW -> "row";
                case FIELD -> "of." + field;
            };
            case Operand.OfPage(var part) -> part == Operand.PagePart.TITLE ? "page" : "address";
            case Operand.OfReferred(var way) -> "referred." + way;
            case Operand.OfOpen(var way) -> "open." + way;
            case Operand.Dial(String name) -> "dial." + name;
            case Operand.Today(int on) -> on == 0 ? "today" : DAYS;
            case Operand.Beginning(var span, int on) -> span.name().toLowerCase(Locale.ROOT);
        };
    }
}
