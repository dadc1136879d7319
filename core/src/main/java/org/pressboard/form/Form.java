package org.pressboard.form;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/**
 * A form as its ticket says it: into which table its rows go, what it asks for, and what follows.
 *
 * <pre>{@code
 * Form form = Form.plain(key, signUps, "Sign up").asking(List.of(Question.of(name))).stamping(List.of(
 *         new Stamp(day, new Operand.Today(0))));
 * Map<FieldKey, Value> row = form.row(table, answers, standpoint);
 * }</pre>
 *
 * @param lead   what is said before the questions; may be empty
 * @param paired whether questions stand two beside each other where there is room
 * @param stamps what is set without being asked
 * @param atOnce whether what is sent need not wait to be let through, where rows of the table have to be
 */
public record Form(FormKey key, TableKey table, String title, String lead, boolean paired, List<Question> questions,
                   List<Stamp> stamps, Bounds bounds, Afterwards then, List<Notice> notices, boolean atOnce) {

    public static final int LONGEST_TITLE = 100;
    public static final int LONGEST_LEAD = 1_000;

    public Form {
        lead = Objects.requireNonNullElse(lead, "");
        bounds = Objects.requireNonNullElse(bounds, Bounds.NONE);
        then = Objects.requireNonNullElse(then, Afterwards.USUAL);
        questions = List.copyOf(questions);
        stamps = stamps == null ? List.of() : List.copyOf(stamps);
        notices = notices == null ? List.of() : List.copyOf(notices);
        if (title.isBlank()) {
            throw new IllegalArgumentException("The form " + key + " needs a title");
        }
    }

    /** A form that asks for nothing yet. */
    public static Form plain(FormKey key, TableKey table, String title) {
        return new Form(key, table, title, "", false, List.of(), List.of(), Bounds.NONE, Afterwards.USUAL, List.of(),
                false);
    }

    /** One that asks for everything that can be asked for, but not for whose the row is, nor whether it is let through. */
    public static Form suggested(FormKey key, Table table, String title) {
        return plain(key, table.key(), title).asking(table.fields().stream().filter(field -> canAsk(table, field)
                && !(field.type() instanceof Attached)).map(field -> Question.of(field.key())).toList());
    }

    /** Whether a form could ask for the field. */
    public static boolean canAsk(Table table, Field field) {
        return field.isEntered() && !field.key().equals(table.owner()) && !field.key().equals(table.approval());
    }

    public Form titled(String other, String otherLead) {
        return new Form(key, table, other, otherLead, paired, questions, stamps, bounds, then, notices, atOnce);
    }

    public Form pairing(boolean inPairs) {
        return new Form(key, table, title, lead, inPairs, questions, stamps, bounds, then, notices, atOnce);
    }

    public Form asking(List<Question> others) {
        return new Form(key, table, title, lead, paired, others, stamps, bounds, then, notices, atOnce);
    }

    /** The same without asking for these fields. */
    public Form sparing(Set<FieldKey> fields) {
        return fields.isEmpty() ? this
                : asking(questions.stream().filter(question -> !fields.contains(question.field())).toList());
    }

    /** The fields asked for that lead to rows of another table, in their order; fields that the form's table has lost are none. */
    public List<Field> askingFor(TableKey other, Table table) {
        return questions.stream().map(Question::field).flatMap(field -> table.fields().find(field).stream())
                .filter(field -> field.type() instanceof Referring referring && referring.to().equals(other)).toList();
    }

    /** The same with one of its questions asked otherwise. */
    public Form asking(FieldKey field, UnaryOperator<Question> change) {
        return asking(questions.stream().map(each -> each.field().equals(field) ? change.apply(each) : each).toList());
    }

    public Form stamping(List<Stamp> others) {
        return new Form(key, table, title, lead, paired, questions, others, bounds, then, notices, atOnce);
    }

    public Form within(Bounds others) {
        return new Form(key, table, title, lead, paired, questions, stamps, others, then, notices, atOnce);
    }

    public Form then(Afterwards other) {
        return new Form(key, table, title, lead, paired, questions, stamps, bounds, other, notices, atOnce);
    }

    public Form telling(List<Notice> others) {
        return new Form(key, table, title, lead, paired, questions, stamps, bounds, then, others, atOnce);
    }

    public Form seenAtOnce(boolean need) {
        return new Form(key, table, title, lead, paired, questions, stamps, bounds, then, notices, need);
    }

    /** Whether what is sent waits to be let through. */
    public boolean waits(Table now) {
        return !atOnce && now.letThrough().isPresent();
    }

    public Optional<Question> question(FieldKey field) {
        return questions.stream().filter(each -> each.field().equals(field)).findFirst();
    }

    /** The letter to them that follows, where one does. */
    public Optional<Notice> notice(Notice.Whom whom) {
        return notices.stream().filter(each -> each.whom() == whom).findFirst();
    }

    /** The same for the table as it is: without what it has no more, or what can no more be asked for. */
    public Form of(Tables tables, Table now) {
        Set<FieldKey> set = new HashSet<>();
        stamps.forEach(stamp -> set.add(stamp.field()));
        boolean isAlike = bounds.alike() == null || now.fields().has(bounds.alike());
        return within(isAlike ? bounds : new Bounds(bounds.from(), bounds.until(), bounds.places(), bounds.each(), null,
                bounds.room())).asking(questions.stream().filter(each -> now.fields().find(each.field())
                .filter(field -> canAsk(now, field)).isPresent() && !set.contains(each.field()))
                .map(each -> each.of(tables, now)).toList())
                .stamping(stamps.stream().filter(stamp -> now.fields().find(stamp.field())
                        .filter(field -> field.isEntered() && tables.canHold(now, field, stamp.value())).isPresent()).toList());
    }

    /** All fields of its table that it asks for, asks about or sets, also such as the table has no more. */
    public Set<FieldKey> named() {
        Set<FieldKey> named = new LinkedHashSet<>();
        questions.forEach(each -> {
            named.add(each.field());
            named.addAll(each.when().fields());
        });
        stamps.forEach(stamp -> named.add(stamp.field()));
        Optional.ofNullable(bounds.alike()).ifPresent(named::add);
        return named;
    }

    /** What the table needs and the form neither asks for nor sets: nothing could be sent. */
    public List<Field> missing(Table now) {
        Set<FieldKey> given = new HashSet<>();
        questions.forEach(each -> given.add(each.field()));
        stamps.forEach(each -> given.add(each.field()));
        return now.entered().stream().filter(field -> field.rules().required() && field.start() == null
                && !given.contains(field.key()) && !field.key().equals(now.owner())
                && !field.key().equals(now.approval())).toList();
    }

    /** The questions that are asked of whoever has answered so: the others hang on an answer that was not given. */
    public List<Question> asked(Map<FieldKey, Value> answers, Standpoint standpoint) {
        List<Question> asked = new ArrayList<>();
        Map<FieldKey, Value> counted = new HashMap<>();
        for (Question each : questions) {
            // an answer to what is not asked counts for nothing, also for questions that hang on it
            if (each.when().holds(new Row(RowId.NONE, counted), standpoint)) {
                asked.add(each);
                Optional.ofNullable(answers.get(each.field())).ifPresent(value -> counted.put(each.field(), value));
            }
        }
        return asked;
    }

    /** The references of the row, with what lies behind them, that questions begin with. */
    public Set<FieldKey> waysOfStarts() {
        return ways(questions.stream().map(Question::start));
    }

    /** The same that something is set to. */
    public Set<FieldKey> waysOfStamps() {
        return ways(stamps.stream().map(Stamp::value));
    }

    private static Set<FieldKey> ways(Stream<? extends @Nullable Operand> operands) {
        return operands.flatMap(operand -> operand instanceof Operand.OfReferred(FieldKey way) ? Stream.of(way) : Stream.of())
                .collect(Collectors.toSet());
    }

    /** What the new row has before anything is set by where a reference of it leads: answers to what was asked, and what fields begin with. */
    public Map<FieldKey, Value> begun(Table now, Map<FieldKey, Value> answers, Standpoint standpoint) {
        Map<FieldKey, Value> row = Field.begun(now.entered().stream().filter(field -> question(field.key()).isEmpty()).toList(), standpoint);
        asked(answers, standpoint).forEach(each -> Optional.ofNullable(answers.get(each.field()))
                .ifPresent(value -> row.put(each.field(), value)));
        return row;
    }

    /** What the new row has: what it has {@link #begun}, and stamps, whatever it had there. */
    public Map<FieldKey, Value> row(Table now, Map<FieldKey, Value> answers, Standpoint standpoint) {
        Map<FieldKey, Value> row = begun(now, answers, standpoint);
        stamps.forEach(stamp -> {
            row.remove(stamp.field());
            now.field(stamp.field()).given(stamp.value(), standpoint).ifPresent(value -> row.put(stamp.field(), value));
        });
        return row;
    }
}
