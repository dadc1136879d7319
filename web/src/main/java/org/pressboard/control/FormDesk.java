package org.pressboard.control;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.editing.FormSending;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.problem.Problem;
import org.pressboard.rows.ReferredValues;
import org.pressboard.rows.RowPicker;
import org.pressboard.words.Words;
import org.pressboard.signin.Browsers;
import org.pressboard.signin.Seal;
import org.pressboard.stand.OpenForm;
import org.pressboard.stand.OpenPage;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
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

    /** Says that keys or a pointer were used: whoever has a form filled in by their browser is quick, too. */
    static final String HAND = "hand";

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

    /** As a section of a page. */
    public AskedForm lay(OpenForm open, HttpServletRequest request) {
        return open.may() ? begin(open, Map.of(), browsers.sender(request)) : closed(open);
    }

    /** The same where nothing is sent from: whoever looks would have it so. */
    public AskedForm proof(OpenForm open) {
        Optional<Problem> shut = open.form().bounds().against(open.on().visit().today(), 0, 0);
        return open.may() ? begun(open, starts(open, Map.of()), shut, shut.isEmpty()) : closed(open);
    }

    /** All forms of a page so. */
    public Map<FormKey, AskedForm> proofs(OpenPage on) {
        return on.allForms().stream().collect(Collectors.toMap(open -> open.form().key(), this::proof));
    }

    /** One that they may not send. */
    public static AskedForm closed(OpenForm open) {
        return new AskedForm(open.form(), open.address(), List.of(), "", "", false, false,
                new SealedFiles(UnaryOperator.identity()));
    }

    /**
     * The form as it begins. What would not be taken as it begins is said at once, and may still be answered otherwise.
     *
     * @param given  answers that the address brings along
     * @param sender whoever would send it
     */
    public AskedForm begin(OpenForm open, Map<String, String> given, String sender) {
        Map<FieldKey, Value> starts = starts(open, given);
        Optional<Problem> shut = sending.against(open.form(), open.name(), sender);
        return begun(open, starts, shut.or(() -> sending.against(open.form(), open.name(), sender, starts)), shut.isEmpty());
    }

    private AskedForm begun(OpenForm open, Map<FieldKey, Value> starts, Optional<Problem> against, boolean isOpen) {
        Words words = words(open);
        RowForm form = RowForm.of(open.fields(), starts, words);
        return asked(open, form, against.map(words::say).orElse(""), isOpen, token(open));
    }

    public AskedForm again(OpenForm open, RowForm form, String problem, String token) {
        return asked(open, form, problem, true, token);
    }

    private AskedForm asked(OpenForm open, RowForm form, String problem, boolean isOpen, String token) {
        boolean moving = open.form().questions().stream().anyMatch(each -> !each.when().equals(Condition.ALWAYS));
        return new AskedForm(open.form(), open.address(), AskedForm.parts(open.form(), form.controls()), token, problem,
                isOpen, moving, new SealedFiles(seal::on));
    }

    private Map<FieldKey, Value> starts(OpenForm open, Map<String, String> given) {
        Map<FieldKey, Value> starts = new HashMap<>();
        Standpoint standpoint = open.standpoint();
        for (Question question : open.form().questions()) {
            Field field = open.table().field(question.field());
            Optional.ofNullable(question.start() == null ? field.start() : question.start())
                    .flatMap(start -> field.given(start, standpoint)).ifPresent(value -> starts.put(field.key(), value));
            String called = given.getOrDefault("v." + field.key(), "");
            if (!called.isEmpty()) {
                given(open, field, called).ifPresent(value -> starts.put(field.key(), value));
            }
        }
        Standpoint referring = standpoint.referring(referred.of(open.sight(), open.visitor(), standpoint, starts,
                open.form().waysOfStarts()));
        open.form().questions().stream().filter(question -> question.start() instanceof Operand.OfReferred && !starts.containsKey(question.field()))
                .forEach(question -> open.table().field(question.field()).given(question.start(), referring)
                        .ifPresent(value -> starts.put(question.field(), value)));
        return starts;
    }

    private Optional<Value> given(OpenForm open, Field field, String called) {
        if (!(field.type() instanceof Referring referring)) {
            return field.type().read(called);
        }
        Sight sight = open.sight().of(referring.to());
        return CalledRows.numbered(called).map(row -> picker.headings(sight, open.visitor(), open.standpoint(), List.of(row)).stream().findFirst())
                .orElseGet(() -> RowPicker.just(picker.find(sight, open.visitor(), open.standpoint(), called, open.language()), called))
                .map(Value.class::cast);
    }

    /** What was sent, with what is wrong of what is asked said at its place. */
    public RowForm read(OpenForm open, MultiValueMap<String, String> parameters) {
        RowForm form = references.read(open.on().visit(), open.fields(), begun(open, parameters),
                words(open));
        Set<FieldKey> asked = asked(open, form);
        RowForm checked = form.with(form.missing(open.fields().stream().filter(field -> asked.contains(field.key()))
                .toList()), words(open));
        return new RowForm(checked.controls().stream().map(control -> asked.contains(control.field().key()) ? control
                : control.wrong("")).toList(), checked.values(), checked.was());
    }

    /** A question that was not sent at all is asked all the same, and has been left empty. */
    private static MultiValueMap<String, String> begun(OpenForm open, MultiValueMap<String, String> sent) {
        MultiValueMap<String, String> begun = new LinkedMultiValueMap<>(sent);
        open.fields().forEach(field -> begun.computeIfAbsent("was." + field.key(), name -> List.of("")));
        return begun;
    }

    /** The fields of the questions that are asked of whoever has answered so. */
    public Set<FieldKey> asked(OpenForm open, RowForm form) {
        Set<FieldKey> asked = new HashSet<>();
        open.form().asked(form.filled(), open.standpoint()).forEach(question -> asked.add(question.field()));
        return asked;
    }

    private String token(OpenForm open) {
        return seal.on(clock.millis() + " " + open.address());
    }

    /** Why it seems that no person has filled it in; empty: it does not. */
    public Optional<String> suspicion(OpenForm open, MultiValueMap<String, String> parameters) {
        if (!Optional.ofNullable(parameters.getFirst(TRAP)).orElse("").isEmpty()) {
            return Optional.of("form.trap");
        }
        Optional<Long> begun = seal.check(Optional.ofNullable(parameters.getFirst(TOKEN)).orElse(""))
                .filter(text -> text.endsWith(" " + open.address())).map(text -> Long.valueOf(text.split(" ")[0]));
        long took = clock.millis() - begun.orElse(0L);
        if (begun.isEmpty() || took > LONGEST.toMillis()) {
            return Optional.of("form.stale");
        }
        // somebody who is signed in may have little more to do than to send what is filled in for them
        boolean isQuick = took < shortest.toMillis() && open.visitor().kind() == Visitor.Kind.ANYONE
                && !"yes".equals(parameters.getFirst(HAND));
        return isQuick ? Optional.of("form.quick") : Optional.empty();
    }

    /** The token to go on with: the one that was sent, unless it is good no more. */
    public String token(OpenForm open, MultiValueMap<String, String> parameters, Optional<String> suspicion) {
        return suspicion.filter("form.stale"::equals).isPresent() ? token(open)
                : Optional.ofNullable(parameters.getFirst(TOKEN)).orElse("");
    }

    public Words words(OpenForm open) {
        return new Words(messages, open.language());
    }
}
