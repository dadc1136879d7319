package org.pressboard.control;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.editing.FormSending;
import org.pressboard.form.Form;
import org.pressboard.form.Question;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.problem.Problem;
import org.pressboard.rows.ReferredValues;
import org.pressboard.rows.RowPicker;
import org.pressboard.sheet.Words;
import org.pressboard.signin.Browsers;
import org.pressboard.signin.Seal;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

/** Lays forms before people, and reads what they send. */
@Component
public class FormDesk {

    /** No field of a table is called so: only programs fill it in. */
    static final String TRAP = "website";

    static final String TOKEN = "begun";
    private static final Duration LONGEST = Duration.ofDays(2);

    private final CalledRows references;
    private final RowPicker picker;
    private final ReferredValues referred;
    private final FormSending sending;
    private final Browsers browsers;
    private final Seal seal;
    private final MessageSource messages;
    private final Clock clock;
    private final Duration shortest;

    FormDesk(CalledRows references, RowPicker picker, ReferredValues referred, FormSending sending, Browsers browsers, Seal seal,
            MessageSource messages, Clock clock,
            @org.springframework.beans.factory.annotation.Value("${pressboard.shortest-filling:2s}") Duration shortest) {
        this.references = references;
        this.picker = picker;
        this.referred = referred;
        this.sending = sending;
        this.browsers = browsers;
        this.seal = seal;
        this.messages = messages;
        this.clock = clock;
        this.shortest = shortest;
    }

    /** A form somebody is to fill in: who, and what they see of its table. */
    public record Sitting(Form form, Standpoint.OnPage page, Sight sight, Visitor visitor, String address, Locale language) {

        Table table() {
            return sight.table();
        }

        public List<Field> fields() {
            return form.questions().stream().map(question -> question.asked(table())).toList();
        }
    }

    /** As a section of a page, where rows remember it by that name. */
    public AskedForm lay(Sitting sitting, boolean may, String name, HttpServletRequest request) {
        return may ? begin(sitting, Map.of(), name, browsers.sender(request)) : closed(sitting);
    }

    /** The same where nothing is sent from: whoever looks would have it so. */
    public AskedForm proof(Sitting sitting, boolean may) {
        Optional<Problem> shut = sitting.form.bounds().against(LocalDate.now(clock), 0, 0);
        return may ? begun(sitting, starts(sitting, Map.of()), shut, shut.isEmpty()) : closed(sitting);
    }

    /** One that they may not send. */
    public static AskedForm closed(Sitting sitting) {
        return new AskedForm(sitting.form, sitting.address, List.of(), "", "", false, false,
                new SealedFiles(UnaryOperator.identity()));
    }

    /**
     * The form as it begins. What would not be taken as it begins is said at once, and may still be answered otherwise.
     *
     * @param given  answers that the address brings along
     * @param name   of the form, as rows remember it
     * @param sender whoever would send it
     */
    public AskedForm begin(Sitting sitting, Map<String, String> given, String name, String sender) {
        Map<FieldKey, Value> starts = starts(sitting, given);
        Optional<Problem> shut = sending.against(sitting.form, name, sender);
        return begun(sitting, starts, shut.or(() -> sending.against(sitting.form, name, sender, starts)), shut.isEmpty());
    }

    private AskedForm begun(Sitting sitting, Map<FieldKey, Value> starts, Optional<Problem> against, boolean open) {
        Words words = words(sitting);
        RowForm form = RowForm.of(sitting.fields(), starts, words);
        return asked(sitting, form, against.map(words::say).orElse(""), open, token(sitting));
    }

    public AskedForm again(Sitting sitting, RowForm form, String problem, String token) {
        return asked(sitting, form, problem, true, token);
    }

    private AskedForm asked(Sitting sitting, RowForm form, String problem, boolean open, String token) {
        boolean moving = sitting.form.questions().stream().anyMatch(each -> !each.when().equals(Condition.ALWAYS));
        return new AskedForm(sitting.form, sitting.address, AskedForm.parts(sitting.form, form.controls()), token, problem,
                open, moving, new SealedFiles(seal::on));
    }

    private Map<FieldKey, Value> starts(Sitting sitting, Map<String, String> given) {
        Map<FieldKey, Value> starts = new HashMap<>();
        Standpoint standpoint = standpoint(sitting);
        for (Question question : sitting.form.questions()) {
            Field field = sitting.table().field(question.field());
            Optional.ofNullable(question.start() == null ? field.start() : question.start())
                    .flatMap(start -> field.given(start, standpoint)).ifPresent(value -> starts.put(field.key(), value));
            String called = given.getOrDefault("v." + field.key(), "");
            if (!called.isEmpty()) {
                given(sitting, field, called).ifPresent(value -> starts.put(field.key(), value));
            }
        }
        Standpoint referring = standpoint.referring(referred.of(sitting.sight, sitting.visitor, standpoint, starts,
                sitting.form.waysOfStarts()));
        sitting.form.questions().stream().filter(question -> question.start() instanceof Operand.OfReferred && !starts.containsKey(question.field()))
                .forEach(question -> sitting.table().field(question.field()).given(question.start(), referring)
                        .ifPresent(value -> starts.put(question.field(), value)));
        return starts;
    }

    private Optional<Value> given(Sitting sitting, Field field, String called) {
        if (field.type() instanceof Referring referring && called.matches("#\\d{1,18}")) {
            return picker.headings(sitting.sight.of(referring.to()), sitting.visitor, standpoint(sitting),
                    List.of(Long.valueOf(called.substring(1)))).stream().findFirst().map(Value.class::cast);
        }
        return field.type() instanceof Referring referring ? RowPicker.just(picker.find(sitting.sight.of(referring.to()),
                sitting.visitor, standpoint(sitting), called, sitting.language), called).map(Value.class::cast)
                : field.type().read(called);
    }

    private Standpoint standpoint(Sitting sitting) {
        return sitting.visitor.at(LocalDateTime.now(clock)).on(sitting.page);
    }

    /** What was sent, with what is wrong of what is asked said at its place. */
    public RowForm read(Sitting sitting, MultiValueMap<String, String> parameters) {
        RowForm form = references.read(sitting.sight, sitting.visitor, sitting.fields(), begun(sitting, parameters),
                words(sitting));
        Set<FieldKey> asked = asked(sitting, form);
        RowForm checked = form.with(form.missing(sitting.fields().stream().filter(field -> asked.contains(field.key()))
                .toList()), words(sitting));
        return new RowForm(checked.controls().stream().map(control -> asked.contains(control.field().key()) ? control
                : control.wrong("")).toList(), checked.values(), checked.was());
    }

    /** A question that was not sent at all is asked all the same, and has been left empty. */
    private static MultiValueMap<String, String> begun(Sitting sitting, MultiValueMap<String, String> sent) {
        MultiValueMap<String, String> begun = new LinkedMultiValueMap<>(sent);
        sitting.fields().forEach(field -> begun.computeIfAbsent("was." + field.key(), name -> List.of("")));
        return begun;
    }

    /** The fields of the questions that are asked of whoever has answered so. */
    public Set<FieldKey> asked(Sitting sitting, RowForm form) {
        Set<FieldKey> asked = new HashSet<>();
        sitting.form.asked(form.filled(), standpoint(sitting)).forEach(question -> asked.add(question.field()));
        return asked;
    }

    private String token(Sitting sitting) {
        return seal.on(clock.millis() + " " + sitting.address);
    }

    /** Why it seems that no person has filled it in; empty: it does not. */
    public Optional<String> suspicion(Sitting sitting, MultiValueMap<String, String> parameters) {
        if (!Optional.ofNullable(parameters.getFirst(TRAP)).orElse("").isEmpty()) {
            return Optional.of("form.trap");
        }
        Optional<Long> begun = seal.check(Optional.ofNullable(parameters.getFirst(TOKEN)).orElse(""))
                .filter(text -> text.endsWith(" " + sitting.address)).map(text -> Long.valueOf(text.split(" ")[0]));
        long took = clock.millis() - begun.orElse(0L);
        if (begun.isEmpty() || took > LONGEST.toMillis()) {
            return Optional.of("form.stale");
        }
        // somebody who is signed in may have little more to do than to send what is filled in for them
        boolean isQuick = took < shortest.toMillis() && sitting.visitor.kind() == Visitor.Kind.ANYONE;
        return isQuick ? Optional.of("form.quick") : Optional.empty();
    }

    /** The token to go on with: the one that was sent, unless it is good no more. */
    public String token(Sitting sitting, MultiValueMap<String, String> parameters, Optional<String> suspicion) {
        return suspicion.filter("form.stale"::equals).isPresent() ? token(sitting)
                : Optional.ofNullable(parameters.getFirst(TOKEN)).orElse("");
    }

    public Words words(Sitting sitting) {
        return new Words(messages, sitting.language);
    }
}
