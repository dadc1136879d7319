package org.pressboard.desk.bench;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Afterwards;
import org.pressboard.form.Bounds;
import org.pressboard.form.Form;
import org.pressboard.form.Notice;
import org.pressboard.form.Question;
import org.pressboard.form.Stamp;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.util.MultiValueMap;

/** Changes one word of a form's ticket. For one use. */
final class FormChange {

    private static final int LONGEST_TEXT = 300;
    private static final int MOST_PLACES = 1_000_000;

    private final Table table;
    private final OperandChoices choices;
    private final MultiValueMap<String, String> sent;

    /** @param choices what the form can set a field to */
    FormChange(OperandChoices choices, MultiValueMap<String, String> sent) {
        this.table = choices.operands().table();
        this.choices = choices;
        this.sent = sent;
    }

    /** @throws ProblemsFound when what was sent does not fit */
    Form of(Form form, String what) {
        return switch (what) {
            case "say" -> said(form);
            case "ask.pairs" -> form.pairing(first("value").equals("yes"));
            case "ask.add" -> asking(form);
            case "ask.move" -> form.asking(moved(form.questions()));
            case "ask.set" -> form.asking(field().key(), this::asked);
            case "set.add" -> stamping(form);
            case "set.remove" -> form.stamping(form.stamps().stream()
                    .filter(stamp -> !stamp.field().name().equals(first("field"))).toList());
            case "bounds" -> form.within(bounds());
            case "at-once" -> form.seenAtOnce(first("value").equals("yes"));
            case "then" -> form.then(then());
            case "tell" -> telling(form);
            default -> throw ProblemsFound.of("bench.unknown", what);
        };
    }

    private Form said(Form form) {
        String title = first("title").strip();
        if (title.isEmpty() || title.length() > Form.LONGEST_TITLE) {
            throw ProblemsFound.of("bench.form.no-title");
        }
        return form.titled(title, cut(first("lead").strip(), Form.LONGEST_LEAD));
    }

    private Form asking(Form form) {
        Field field = field();
        if (!Form.canAsk(table, field) || form.question(field.key()).isPresent()) {
            throw ProblemsFound.of("bench.form.not-asked", field.label());
        }
        List<Question> questions = new ArrayList<>(form.questions());
        questions.add(Question.of(field.key()));
        return form.asking(questions).stamping(form.stamps().stream()
                .filter(stamp -> !stamp.field().equals(field.key())).toList());
    }

    private List<Question> moved(List<Question> questions) {
        List<Question> moved = new ArrayList<>(questions);
        int at = moved.stream().map(question -> question.field().name()).toList().indexOf(first("field"));
        int to = first("way").equals("up") ? at - 1 : at + 1;
        if (at >= 0 && first("way").equals("out")) {
            moved.remove(at);
        } else if (at >= 0 && to >= 0 && to < moved.size()) {
            Collections.swap(moved, at, to);
        }
        return moved;
    }

    private Question asked(Question question) {
        return question.labelled(cut(first("label").strip(), Field.LONGEST_LABEL)).explained(cut(first("help")
                .strip(), LONGEST_TEXT))
                .requiring(first("required").equals("yes")).under(cut(first("part").strip(), Field.LONGEST_LABEL))
                .starting(choices.set(field(), first("start"), first("startText")).orElse(null))
                .when(when());
    }

    /** Asked for only when another answer is one of some. */
    private Condition when() {
        Field other = table.fields().stream().filter(each -> each.key().name().equals(first("when"))).findFirst()
                .orElse(null);
        List<String> values = sent.getOrDefault("is", List.of());
        if (other == null || values.isEmpty() || first("when").equals(first("field"))) {
            return Condition.ALWAYS;
        }
        List<Value> some = values.stream().map(text -> other.type() instanceof FieldType.YesNo ? Value.of(text.equals("yes"))
                : Value.of(text)).toList();
        return Condition.oneOf(other.key(), some);
    }

    private Form stamping(Form form) {
        Field field = field();
        Operand value = choices.set(field, first("value"), first("text"))
                .orElseThrow(() -> ProblemsFound.of("bench.no-value", field.label()));
        List<Stamp> stamps = new ArrayList<>(form.stamps().stream().filter(stamp -> !stamp.field()
                .equals(field.key())).toList());
        stamps.add(new Stamp(field.key(), value));
        return form.stamping(stamps).asking(form.questions().stream()
                .filter(question -> !question.field().equals(field.key())).toList());
    }

    private Bounds bounds() {
        LocalDate from = day(first("from"));
        LocalDate until = day(first("until"));
        if (from != null && until != null && until.isBefore(from)) {
            throw ProblemsFound.of("bench.form.until-before-from");
        }
        return new Bounds(from, until, number("places"), number("each"), field(first("alike")), room());
    }

    private @Nullable FieldKey field(String name) {
        return table.fields().stream().map(Field::key).filter(key -> key.name().equals(name)).findFirst().orElse(null);
    }

    private @Nullable FieldKey room() {
        return FormTicket.rooms(choices.operands()).map(Field::key).filter(key -> key.name().equals(first("room"))).findFirst()
                .orElse(null);
    }

    private static @Nullable LocalDate day(String text) {
        try {
            return text.isBlank() ? null : LocalDate.parse(text);
        } catch (DateTimeException noDay) {
            throw ProblemsFound.of("bench.form.no-day", text);
        }
    }

    private @Nullable Integer number(String name) {
        String text = first(name).strip();
        if (text.isEmpty()) {
            return null;
        }
        if (!text.matches("\\d{1,7}") || Integer.parseInt(text) < 1 || Integer.parseInt(text) > MOST_PLACES) {
            throw ProblemsFound.of("bench.form.no-number", text);
        }
        return Integer.valueOf(text);
    }

    private Afterwards then() {
        return switch (first("then")) {
            case "row" -> new Afterwards.ToRow();
            case "page" -> new Afterwards.ToPage(Optional.of(first("page")).filter(PageKey::isValid)
                    .orElseThrow(() -> ProblemsFound.of("bench.form.no-page")));
            default -> new Afterwards.Thanks(cut(first("thanks").strip(), Form.LONGEST_LEAD));
        };
    }

    private Form telling(Form form) {
        Notice.Whom whom = first("whom").equals("OWNER") ? Notice.Whom.OWNER : Notice.Whom.SENDER;
        List<Notice> notices = new ArrayList<>(form.notices().stream().filter(each -> each.whom() != whom).toList());
        String subject = first("subject").strip();
        String text = first("text").strip();
        List<String> unknown = new ArrayList<>(Notice.unknown(subject + " " + text, table));
        if (!unknown.isEmpty()) {
            throw ProblemsFound.of("bench.form.unknown-name", unknown.getFirst());
        }
        if (first("send").equals("yes")) {
            notices.add(new Notice(whom, cut(subject.isEmpty() ? form.title() : subject, LONGEST_TEXT), cut(text,
                    Notice.LONGEST)));
        }
        return form.telling(notices);
    }

    private Field field() {
        return table.fields().stream().filter(each -> each.key().name().equals(first("field"))).findFirst()
                .orElseThrow(() -> ProblemsFound.of("bench.unknown", first("field")));
    }

    private static String cut(String text, int longest) {
        String plain = text.replace("\0", "");
        return plain.substring(0, Math.min(plain.length(), longest));
    }

    private String first(String name) {
        return Objects.requireNonNullElse(sent.getFirst(name), "");
    }
}
