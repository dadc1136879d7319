package org.pressboard.desk.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.form.Afterwards;
import org.pressboard.form.Form;
import org.pressboard.form.Notice;
import org.pressboard.form.Question;
import org.pressboard.words.Words;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Operands;
import org.pressboard.table.Table;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/**
 * The ticket of a form, for its template.
 *
 * @param choices what the form can set a field to
 * @param granted who may add rows to the table, in words
 */
record FormTicket(String page, Form form, OperandChoices choices, String granted, String mark, List<Ticket.StepLine> steps) implements Steps {

    /** A question as it is changed. */
    public record Asked(Question question, Field field, List<OperandChoices.Item> starts, List<Other> others) {
    }

    /** A question that this one may hang on: its answers, and which of them are wanted. */
    public record Other(Field field, boolean chosen, List<OperandChoices.Item> answers) {
    }

    /** What is set without being asked. */
    public record Set(Field field, String said) {
    }

    public Table table() {
        return choices.operands().table();
    }

    private Words words() {
        return choices.desk();
    }

    /** What can bound the form. */
    public List<Field> rooms() {
        return rooms(choices.operands()).toList();
    }

    /** The numbers of rows to which questions lead. */
    static Stream<Field> rooms(Operands operands) {
        return operands.waysReferred().stream().map(operands::reached).filter(field -> field.type() instanceof Numeric);
    }

    public String address() {
        return "/desk/forms/" + page + "/" + form.key();
    }

    public List<Asked> questions() {
        List<Asked> asked = new ArrayList<>();
        for (Question question : form.questions()) {
            Field field = table().field(question.field());
            asked.add(new Asked(question, field, ways(field, question.start()),
                    asked.stream().map(Asked::field).filter(FormTicket::hasOptions).map(other -> other(question,
                            other)).toList()));
        }
        return asked;
    }

    public String asked() {
        return form.questions().stream().map(question -> question.label().isEmpty() ? table().field(question.field()).label()
                : question.label()).collect(Collectors.joining(", "));
    }

    private static boolean hasOptions(Field field) {
        return field.type() instanceof FieldType.YesNo || field.type() instanceof Chosen;
    }

    private static Other other(Question question, Field field) {
        List<Value> wanted = question.when() instanceof Condition.OneOf(var of, List<Value> values)
                && of.equals(field.key()) ? values : List.of();
        List<String> answers = field.type() instanceof Chosen chosen
                ? chosen.options().stream().map(Chosen.Option::text).toList() : List.of("yes", "no");
        return new Other(field, !wanted.isEmpty(), answers.stream().map(text -> new OperandChoices.Item(text, text,
                wanted.stream().anyMatch(value -> PlainForm.write(value).equals(text)))).toList());
    }

    /** The fields that could be asked for besides. */
    public List<Field> askable() {
        return table().fields().stream().filter(field -> Form.canAsk(table(), field) && form.question(field.key())
                .isEmpty()).toList();
    }

    /** The fields that could be set. */
    public List<Field> settable() {
        return table().entered().stream().filter(field -> !field.key().equals(table().approval())
                && !field.key().equals(table().owner()) && !ways(field, null).isEmpty()).toList();
    }

    public List<Set> stamps() {
        return form.stamps().stream().map(stamp -> new Set(table().field(stamp.field()), choices
                .said(table().field(stamp.field()), stamp.value()))).toList();
    }

    /** What the field may begin with, or be set to. */
    public List<OperandChoices.Item> ways(Field field, @Nullable Operand now) {
        return choices.of(field, now);
    }

    /** What can be typed as a fixed value of the field. */
    public List<String> options(Field field) {
        return choices.options(field);
    }

    /** What a fixed start is, as it is typed. */
    public String fixed(Question question) {
        return OperandChoices.typed(question.start());
    }

    public String then() {
        return switch (form.then()) {
            case Afterwards.Thanks(String text) -> text.isEmpty() ? words().say("form.then.thanks") : words().quoted(text);
            case Afterwards.ToPage(String to) -> words().say("form.then.page", "/" + to);
            case Afterwards.ToRow row -> words().say("form.then.row");
        };
    }

    public String thenKind() {
        return switch (form.then()) {
            case Afterwards.Thanks thanks -> "thanks";
            case Afterwards.ToPage to -> "page";
            case Afterwards.ToRow row -> "row";
        };
    }

    public String thanks() {
        return form.then() instanceof Afterwards.Thanks(String text) ? text : "";
    }

    public String toPage() {
        return form.then() instanceof Afterwards.ToPage(String to) ? to : "";
    }

    public @Nullable Notice notice(String whom) {
        return form.notice(Notice.Whom.valueOf(whom)).orElse(null);
    }

    /** What is to be filled in where the letter has what was answered. */
    public String names() {
        return table().fields().stream().map(field -> "‹" + field.label() + "›").collect(Collectors.joining(" "));
    }

    /** What the table needs and the form does not give. */
    public String missing() {
        return form.missing(table()).stream().map(Field::label).collect(Collectors.joining(", "));
    }
}
