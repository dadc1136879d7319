package org.pressboard.filling;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.control.CalledRows;
import org.pressboard.control.RowForm;
import org.pressboard.editing.Referrers;
import org.pressboard.editing.RowEditing;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.Rows;
import org.pressboard.pace.Pace;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.site.Receipts;
import org.pressboard.stand.Asking;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.Stands;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;

/** What is the same in all ways in which visitors change rows of a listing. */
@Component
class Fillings {

    /** Addresses of a listing's rows, and of one of them. */
    static final String LISTING = "/listings/{listing}/rows";
    static final String ROW = LISTING + "/{row:\\d{1,18}}";

    private final Stands stands;
    private final Rows rows;
    private final VisitorEditing editing;
    private final Referrers referrers;
    private final CalledRows references;
    private final FormFiles files;
    private final Pace pace;
    private final MessageSource messages;
    private final Receipts receipts;

    Fillings(Stands stands, Rows rows, VisitorEditing editing, Referrers referrers, CalledRows references,
            FormFiles files, Pace pace, MessageSource messages, Receipts receipts) {
        this.receipts = receipts;
        this.files = files;
        this.stands = stands;
        this.rows = rows;
        this.editing = editing;
        this.referrers = referrers;
        this.references = references;
        this.pace = pace;
        this.messages = messages;
    }

    /** What became of something that somebody wanted to write. */
    sealed interface Tried {

        /** @param act {@code null}: nothing was to be changed */
        record Done(@Nullable Long act) implements Tried {
        }

        /** The form with what is against it; what is against it as a whole is in the model. */
        record Against(RowForm form) implements Tried {
        }
    }

    Filling find(Visit visit, Filling.Sent sent) {
        pace.spend(visit.address(), sent.request().getMethod().equals("POST") ? Pace.WRITE : Pace.PAGE);
        Asking asking = stands.find(visit, sent.request(), state(sent.parameters()));
        boolean letsThrough = editing.mayLetThrough(visit.visitor(), asking.table().key());
        return new Filling(asking, visit.visitor(), asking.listing().changing()
                .filled(asking.table(), asking.listing().shown()).stream()
                .filter(field -> letsThrough || !field.key().equals(asking.table().approval())).toList(), sent);
    }

    /** The fields of the form are none of the list's state. */
    private static Map<String, List<String>> state(MultiValueMap<String, String> parameters) {
        Map<String, List<String>> state = new LinkedHashMap<>(parameters);
        state.keySet().removeIf(name -> name.matches("(v|was|new)\\..*|_csrf|row|list|field|do"));
        // the list as it was, which a form without scripts carries along
        Optional.ofNullable(parameters.getFirst("list")).filter(list -> list.startsWith("?")).ifPresent(list ->
                UriComponentsBuilder.fromUriString(list).build().getQueryParams().forEach((name,
                        values) -> state.putIfAbsent(name,
                        values.stream().map(value -> value == null ? "" : UriUtils.decode(value, StandardCharsets.UTF_8))
                                .toList())));
        return state;
    }

    /** What the listing does not offer is not there. */
    static void offered(boolean isOffered) {
        if (!isOffered) {
            throw new NotThere("not-there.listing");
        }
    }

    /** A row of the listing, with what is filled in and what it is called. */
    Row row(Filling filling, RowId row) {
        List<FieldKey> fields = new ArrayList<>(filling.keys());
        filling.table().headingField().map(Field::key).ifPresent(fields::add);
        return rows(filling, List.of(row), fields).stream().findFirst().orElseThrow(() -> new NotThere("not-there.one-row"));
    }

    /** Those of the rows that the visitor gets of the listing, with these fields of them. */
    List<Row> rows(Filling filling, List<RowId> numbers, Collection<FieldKey> fields) {
        return rows.numbered(filling.asking().rowQuery().reading(fields), filling.language(), numbers);
    }

    boolean may(Filling filling, Verb verb, RowId row) {
        return !editing.may(filling.visitor(), verb, filling.table().key(), Set.of(row)).isEmpty();
    }

    /** The same with the fields that the visitor may give in a new row, and those that they have sent: it is said of them. */
    Filling ofNew(Filling filling) {
        return open(filling, Verb.ADD, List.of());
    }

    /** The same with the fields that the visitor may change in all of these rows, and those that they have sent. */
    Filling of(Filling filling, Collection<RowId> rows) {
        return open(filling, Verb.CHANGE, rows);
    }

    private Filling open(Filling filling, Verb verb, Collection<RowId> rows) {
        Set<FieldKey> leftOut = editing.leftOut(filling.visitor(), verb, filling.table().key(), filling.keys(), rows);
        return filling.among(field -> !leftOut.contains(field) || filling.sent().has(field));
    }

    /** Writes what was sent, unless something is wrong with it. */
    Tried write(Filling filling, Function<RowForm, RowEditing.Outcome> write, Model model) {
        Words words = words(filling);
        FormFiles.Sent brought = files.sent(filling.fields(), filling.sent().parameters(), filling.sent().request(), words);
        RowForm sent = references.read(filling.asking().visit(), filling.fields(), brought.parameters(), words);
        if (sent.controls().isEmpty() && brought.problem().isEmpty() && !filling.fields().isEmpty()) {
            // of none of the fields anything was sent
            return new Tried.Done(null);
        }
        RowForm form = sent.with(sent.missing(filling.fields()), words);
        if (form.isWrong() || !brought.problem().isEmpty()) {
            model.addAttribute("problem", brought.problem().isEmpty() ? null : brought.problem());
            return new Tried.Against(form);
        }
        try {
            return switch (pace.writing(() -> write.apply(form))) {
                case RowEditing.Outcome.Done(Long act) -> new Tried.Done(act);
                case RowEditing.Outcome.Refused(Map<FieldKey, Problem> problems) ->
                        new Tried.Against(form.with(problems, words));
                case RowEditing.Outcome.Meanwhile(Map<FieldKey, Optional<Value>> theirs) -> {
                    model.addAttribute("meanwhile", true);
                    yield new Tried.Against(form.meanwhile(theirs, words));
                }
            };
        } catch (ProblemsFound refused) {
            tell(filling, refused, model);
            return new Tried.Against(form);
        }
    }

    /** Says why nothing was done. */
    void tell(Filling filling, ProblemsFound refused, Model model) {
        model.addAttribute("problem", words(filling).say(refused.problems().all().getFirst()));
    }

    /** What every page says around a form. */
    void frame(Filling filling, @Nullable Row row, Model model) {
        model.addAttribute("page", filling.asking().page());
        model.addAttribute("rows", filling.rows());
        model.addAttribute("query", filling.asking().query());
        model.addAttribute("asked", files.sealed());
        model.addAttribute("label", filling.table().label());
        model.addAttribute("row", row);
        model.addAttribute("called", row == null ? "" : filling.table().headingField()
                .flatMap(heading -> row.find(heading.key()).map(value -> words(filling).written(heading, value))).orElse(""));
    }

    /** What else goes with rows that are removed, in words; of tables that the visitor does not see, only that something does. */
    void along(Filling filling, List<RowId> rows, Model model) {
        Words words = words(filling);
        Set<String> along = new LinkedHashSet<>();
        referrers.of(filling.table().key(), rows).stream().filter(against -> against.onRemoval() != Referring.OnRemoval.REFUSE)
                .forEach(against -> along.add(filling.asking().sight().rows(against.table().key()).equals(Condition.NEVER)
                        ? words.say("change.along.unseen")
                        : words.say(against.onRemoval() == Referring.OnRemoval.CLEAR ? "change.along.cleared" : "change.along.removed",
                                against.rows(), against.table().label(), against.by().label())));
        model.addAttribute("along", List.copyOf(along));
    }

    /** To the list as it was, where it is said what was done, and offered to take it back. */
    String back(Filling filling, String said, @Nullable Long act, RedirectAttributes flash) {
        String page = filling.asking().addresses().page() + filling.asking().query();
        if (filling.visitor().kind() == Visitor.Kind.ANYONE) {
            // nothing is kept of those who are not signed in; the address tells
            return "redirect:" + page + (page.contains("?") ? "&" : "?") + "done=" + said.replace("change.", "")
                    + (act == null ? "" : "&undo=" + undo(filling, act));
        }
        flash.addFlashAttribute("said", words(filling).say(said));
        if (act != null) {
            flash.addFlashAttribute("undo", undo(filling, act));
            flash.addFlashAttribute("undoAt", filling.asking().addresses().undoing());
        }
        return "redirect:" + page;
    }

    /** By what an act is taken back: its number, or what those get for it who are not signed in. */
    String undo(Filling filling, long act) {
        return filling.visitor().kind() != Visitor.Kind.ANYONE ? Long.toString(act)
                : receipts.of(new Receipts.Receipt(filling.asking().listing().key(), act), filling.sent().request(),
                        filling.sent().response());
    }

    Words words(Filling filling) {
        return new Words(messages, filling.language());
    }
}
