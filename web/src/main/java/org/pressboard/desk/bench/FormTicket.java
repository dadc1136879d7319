package org.pressboard.desk.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.form.Afterwards;
import org.pressboard.form.Form;
import org.pressboard.form.Notice;
import org.pressboard.form.Question;
import org.pressboard.form.Stamp;
import org.pressboard.sheet.Words;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/**
 * The ticket of a form, for its template.
 *
 * @param rooms   numbers of rows referred to that can bound the form
 * @param people  the table of the members; {@code null}: there is none
 * @param granted who may add rows to the table, in words
 */
record FormTicket(String page, Form form, Table table, List<Room> rooms, @Nullable Table people, String granted, String mark,
                  List<Ticket.StepLine> steps, Words words) {

    /** A number of the rows that a question leads to. */
    public record Room(FieldKey key, String label) {

        /** The numbers of rows that the table's rows refer to. */
        static List<Room> of(Tables tables, Table table) {
            return table.entered().stream().filter(field -> field.type() instanceof Referring && !field.type().isSeveral())
                    .flatMap(field -> tables.target(field).fields().stream().filter(of -> of.type() instanceof Numeric)
                            .map(of -> new Room(field.key().through(of.key()), field.label() + ": " + of.label()))).toList();
        }
    }

    /** A question as it is changed. */
    public record Asked(Question question, Field field, List<Way> starts, List<Other> others) {
    }

    /** Something that can be chosen. */
    public record Way(String value, String text, boolean chosen) {
    }

    /** A question that this one may hang on: its answers, and which of them are wanted. */
    public record Other(Field field, boolean chosen, List<Way> answers) {
    }

    /** What is set without being asked. */
    public record Set(Field field, String said) {
    }

    public String address() {
        return "/desk/forms/" + page + "/" + form.key();
    }

    public boolean canUndo() {
        return steps.stream().anyMatch(step -> !step.takenBack());
    }

    public boolean canRedo() {
        return steps.stream().anyMatch(Ticket.StepLine::takenBack);
    }

    public List<Asked> questions() {
        List<Asked> asked = new ArrayList<>();
        for (Question question : form.questions()) {
            Field field = table.field(question.field());
            asked.add(new Asked(question, field, ways(field, question.start()),
                    asked.stream().map(Asked::field).filter(FormTicket::hasOptions).map(other -> other(question, other)).toList()));
        }
        return asked;
    }

    public String asked() {
        return form.questions().stream().map(question -> question.label().isEmpty() ? table.field(question.field()).label()
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
        return new Other(field, !wanted.isEmpty(), answers.stream().map(text -> new Way(text, text,
                wanted.stream().anyMatch(value -> PlainForm.write(value).equals(text)))).toList());
    }

    /** The fields that could be asked for besides. */
    public List<Field> askable() {
        return table.fields().stream().filter(field -> Form.canAsk(table, field) && form.question(field.key()).isEmpty()).toList();
    }

    /** The fields that could be set. */
    public List<Field> settable() {
        return table.entered().stream().filter(field -> !field.key().equals(table.approval())
                && !field.key().equals(table.owner()) && !ways(field, null).isEmpty()).toList();
    }

    public List<Set> stamps() {
        return form.stamps().stream().map(stamp -> new Set(table.field(stamp.field()), said(stamp))).toList();
    }

    private String said(Stamp stamp) {
        return switch (stamp.value()) {
            case Operand.Fixed(Value value) -> "“" + words.written(table.field(stamp.field()), value) + "”";
            case Operand.OfVisitor(Operand.VisitorPart part, var field) when field != null && people != null
                    && people.fields().has(field) -> words.say("form.way.of", people.field(field).label());
            case Operand.OfVisitor of -> words.say("form.way." + switch (of.part()) {
                case EMAIL -> "email";
                case NAME -> "name";
                case ROW -> "row";
                case FIELD -> "gone";
            });
            case Operand.OfPage(Operand.PagePart part) -> words.say("form.way." + (part == Operand.PagePart.TITLE ? "page" : "address"));
            default -> words.say("form.way.today");
        };
    }

    /** What the field may begin with, or be set to. */
    public List<Way> ways(Field field, @Nullable Operand now) {
        List<Way> ways = new ArrayList<>();
        if (field.type() instanceof Temporal.Date || field.type() instanceof Temporal.DateTime) {
            ways.add(way("today", now instanceof Operand.Today));
        }
        boolean isText = field.type() instanceof Textual;
        if (isText) {
            ways.add(way("email", now instanceof Operand.OfVisitor(Operand.VisitorPart part, var none) && part == Operand.VisitorPart.EMAIL));
            ways.add(way("name", now instanceof Operand.OfVisitor(Operand.VisitorPart part, var none) && part == Operand.VisitorPart.NAME));
            ways.add(way("page", now instanceof Operand.OfPage(Operand.PagePart part) && part == Operand.PagePart.TITLE));
            ways.add(way("address", now instanceof Operand.OfPage(Operand.PagePart part) && part == Operand.PagePart.ADDRESS));
        }
        if (people != null && field.type() instanceof Referring referring && referring.to().equals(people.key())) {
            ways.add(way("row", now instanceof Operand.OfVisitor));
        }
        if (people != null) {
            people.columns().stream().filter(own -> own.type().getClass().equals(field.type().getClass())
                    && !(own.type() instanceof Referring) && !own.key().equals(people.people())).forEach(own ->
                    ways.add(new Way("of." + own.key(), words.say("form.way.of", own.label()),
                            now instanceof Operand.OfVisitor(var part, var of) && own.key().equals(of))));
        }
        if (!(field.type() instanceof Referring)) {
            ways.add(way("fixed", now instanceof Operand.Fixed));
        }
        return ways;
    }

    private Way way(String name, boolean chosen) {
        return new Way(name, words.say("form.way." + name), chosen);
    }

    /** What a fixed start is, as it is typed. */
    public String fixed(Question question) {
        return question.start() instanceof Operand.Fixed(Value value) ? PlainForm.write(value) : "";
    }

    public String then() {
        return switch (form.then()) {
            case Afterwards.Thanks(String text) -> text.isEmpty() ? words.say("form.then.thanks") : "“" + text + "”";
            case Afterwards.ToPage(String to) -> words.say("form.then.page", "/" + to);
            case Afterwards.ToRow row -> words.say("form.then.row");
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
        return table.fields().stream().map(field -> "‹" + field.label() + "›").collect(Collectors.joining(" "));
    }

    /** What the table needs and the form does not give. */
    public String missing() {
        return form.missing(table).stream().map(Field::label).collect(Collectors.joining(", "));
    }
}
