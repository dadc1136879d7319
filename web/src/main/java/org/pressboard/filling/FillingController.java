package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.pressboard.control.CalledRows;
import org.pressboard.editing.RowEditing;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.control.RowForm;
import org.pressboard.form.Stamp;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Deed;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.NotThere;
import org.pressboard.sheet.Pace;
import org.pressboard.sheet.Sheets;
import org.pressboard.sheet.Words;
import org.pressboard.signin.SignedIn;
import org.pressboard.site.OpenListings;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;

/** Forms in which visitors add and change rows of a listing; they work without scripts. */
@Controller
class FillingController {

    private static final String LISTING = "/listings/{listing}/rows";
    private static final int MOST_AT_ONCE = 100;
    private static final String ROW = LISTING + "/{row:\\d{1,18}}";

    private final OpenListings listings;
    private final Sheets sheets;
    private final VisitorEditing editing;
    private final CalledRows references;
    private final Pace pace;
    private final MessageSource messages;
    private final Clock clock;

    FillingController(OpenListings listings, Sheets sheets, VisitorEditing editing, CalledRows references, Pace pace,
            MessageSource messages, Clock clock) {
        this.listings = listings;
        this.sheets = sheets;
        this.editing = editing;
        this.references = references;
        this.pace = pace;
        this.messages = messages;
        this.clock = clock;
    }

    /** A listing of which something is to be changed, and by whom. */
    private record Filling(OpenListings.Open open, Visitor visitor, Locale language, List<Field> fields) {

        private Asking asking() {
            return open.asking();
        }

        private Table table() {
            return open.asking().table();
        }

        private Changing changing() {
            return open.asking().listing().changing();
        }

        private List<FieldKey> keys() {
            return fields.stream().map(Field::key).toList();
        }
    }

    private Filling filling(String listing, MultiValueMap<String, String> parameters, Locale language,
            HttpServletRequest request) {
        pace.spend(request.getRemoteAddr(), request.getMethod().equals("POST") ? Pace.WRITE : Pace.PAGE);
        Visitor visitor = SignedIn.currentVisitor();
        OpenListings.Open open = listings.find(listing, visitor, state(parameters));
        boolean letsThrough = editing.mayLetThrough(visitor, open.asking().table().key());
        return new Filling(open, visitor, language, open.asking().listing().changing()
                .filled(open.asking().table(), open.asking().listing().shown()).stream()
                .filter(field -> letsThrough || !field.key().equals(open.asking().table().approval())).toList());
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

    @GetMapping(LISTING + "/add")
    String begin(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters, Locale language,
            Model model, HttpServletRequest request) {
        Filling filling = filling(listing, parameters, language, request);
        offered(filling.changing().add());
        if (!editing.mayAdd(filling.visitor, filling.table().key())) {
            return refused(filling, "problem.not-granted.add", model);
        }
        return show(filling, RowForm.of(filling.fields, starts(filling), words(filling)), null, model);
    }

    private Map<FieldKey, Value> starts(Filling filling) {
        Map<FieldKey, Value> starts = new HashMap<>();
        filling.fields.forEach(field -> Optional.ofNullable(field.start())
                .flatMap(start -> start.resolve(filling.visitor.on(LocalDate.now(clock))))
                .ifPresent(value -> starts.put(field.key(), value)));
        return starts;
    }

    @PostMapping(LISTING + "/add")
    String add(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters, Locale language,
            Model model, HttpServletRequest request, RedirectAttributes flash) {
        Filling filling = filling(listing, parameters, language, request);
        offered(filling.changing().add());
        return attempt(filling, null, parameters, form -> {
            Map<FieldKey, Value> values = new HashMap<>();
            form.values().forEach((field, value) -> value.ifPresent(is -> values.put(field, is)));
            return editing.add(filling.visitor, filling.table().key(), values, author()).outcome();
        }, model, flash);
    }

    @GetMapping(ROW + "/change")
    String open(@PathVariable String listing, @PathVariable long row,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model,
            HttpServletRequest request) {
        Filling filling = filling(listing, parameters, language, request);
        offered(filling.changing().change());
        Row found = find(filling, row);
        if (!may(filling, Verb.CHANGE, row)) {
            return refused(filling, "problem.not-granted.change-this", model);
        }
        return show(filling, RowForm.of(filling.fields, found.values(), words(filling)), found, model);
    }

    @PostMapping(ROW + "/change")
    String change(@PathVariable String listing, @PathVariable long row,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model,
            HttpServletRequest request, RedirectAttributes flash) {
        Filling filling = filling(listing, parameters, language, request);
        offered(filling.changing().change());
        Row found = find(filling, row);
        return attempt(filling, found, parameters, form -> editing.change(filling.visitor, filling.table().key(), row,
                form.was(), form.values(), author()), model, flash);
    }

    /** Does what was sent of a row, a new one where there is none; what cannot be done is said in the form. */
    private String attempt(Filling filling, @Nullable Row row, MultiValueMap<String, String> parameters,
            Function<RowForm, RowEditing.Outcome> write, Model model, RedirectAttributes flash) {
        RowForm form = sent(filling, parameters);
        if (!form.isWrong()) {
            try {
                RowForm filled = form;
                RowEditing.Outcome outcome = pace.writing(() -> write.apply(filled));
                if (outcome instanceof RowEditing.Outcome.Done(Long act)) {
                    return back(filling, row == null ? "change.added" : act == null ? "change.same" : "change.changed", act,
                            flash);
                }
                form = with(form, outcome, filling, model);
            } catch (ProblemsFound refused) {
                model.addAttribute("problem", words(filling).say(refused.problems().all().getFirst()));
            }
        }
        return show(filling, form, row, model);
    }

    private static Author author() {
        return SignedIn.author().from(Author.Origin.PAGE);
    }

    private RowForm with(RowForm form, RowEditing.Outcome outcome, Filling filling, Model model) {
        return switch (outcome) {
            case RowEditing.Outcome.Refused(Map<FieldKey, Problem> problems) -> form.with(problems, words(filling));
            case RowEditing.Outcome.Meanwhile(Map<FieldKey, Optional<Value>> theirs) -> {
                model.addAttribute("meanwhile", true);
                yield form.meanwhile(theirs, words(filling));
            }
            case RowEditing.Outcome.Done done -> form;
        };
    }

    /** Asks once more before a row goes. */
    @GetMapping(ROW + "/remove")
    String ask(@PathVariable String listing, @PathVariable long row,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model,
            HttpServletRequest request) {
        Filling filling = filling(listing, parameters, language, request);
        offered(filling.changing().remove());
        Row found = find(filling, row);
        if (!may(filling, Verb.REMOVE, row)) {
            return refused(filling, "problem.not-granted.remove-this", model);
        }
        frame(filling, found, model);
        return "site/remove";
    }

    @PostMapping(ROW + "/remove")
    String remove(@PathVariable String listing, @PathVariable long row,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model,
            HttpServletRequest request, RedirectAttributes flash) {
        Filling filling = filling(listing, parameters, language, request);
        offered(filling.changing().remove());
        Row found = find(filling, row);
        try {
            long act = pace.writing(() -> editing.remove(filling.visitor, filling.table().key(), List.of(found.id()),
                    author()));
            return back(filling, "change.removed", act, flash);
        } catch (ProblemsFound against) {
            frame(filling, found, model);
            model.addAttribute("problem", words(filling).say(against.problems().all().getFirst()));
            return "site/remove";
        }
    }

    /** A single value, to be changed where it stands. */
    @GetMapping(ROW + "/value/{field}")
    String value(@PathVariable String listing, @PathVariable long row, @PathVariable String field,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model, HttpServletRequest request) {
        Filling filling = single(listing, field, parameters, language, request);
        Row found = find(filling, row);
        if (!may(filling, Verb.CHANGE, row)) {
            throw new NotThere("not-there.one-row");
        }
        return single(filling, RowForm.of(filling.fields, found.values(), words(filling)), row, field, model);
    }

    @PostMapping(ROW + "/value/{field}")
    String keep(@PathVariable String listing, @PathVariable long row, @PathVariable String field,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model,
            HttpServletRequest request) {
        Filling filling = single(listing, field, parameters, language, request);
        find(filling, row);
        RowForm form = sent(filling, parameters);
        if (!form.isWrong()) {
            try {
                RowForm typed = form;
                RowEditing.Outcome outcome = pace.writing(() -> editing.change(filling.visitor, filling.table().key(), row,
                        typed.was(), typed.values(), author()));
                if (outcome instanceof RowEditing.Outcome.Done(Long act)) {
                    return kept(filling, act, model);
                }
                form = with(form, outcome, filling, model);
            } catch (ProblemsFound refused) {
                model.addAttribute("problem", words(filling).say(refused.problems().all().getFirst()));
            }
        }
        return single(filling, form, row, field, model);
    }

    private Filling single(String listing, String field, MultiValueMap<String, String> parameters, Locale language,
            HttpServletRequest request) {
        Filling filling = filling(listing, parameters, language, request);
        offered(filling.changing().change() && filling.changing().inPlace());
        List<Field> one = filling.fields.stream().filter(each -> each.key().name().equals(field)).toList();
        offered(!one.isEmpty());
        return new Filling(filling.open, filling.visitor, language, one);
    }

    private String single(Filling filling, RowForm form, long row, String field, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("rows", rows(filling));
        model.addAttribute("valueAt", rows(filling) + "/" + row + "/value/" + field);
        return "site/controls :: value";
    }

    private String kept(Filling filling, @Nullable Long act, Model model) {
        model.addAttribute("said", words(filling).say(act == null ? "change.same" : "change.changed"));
        model.addAttribute("undo", filling.visitor.kind() == Visitor.Kind.ANYONE ? null : act);
        model.addAttribute("undoAt", "/listings/" + filling.asking().listing().key() + "/undo");
        return "site/controls :: kept";
    }

    private static String rows(Filling filling) {
        return "/listings/" + filling.asking().listing().key() + "/rows";
    }

    /** Asks once more before a button does to a row what it does. */
    @GetMapping(ROW + "/do/{number:\\d{1,2}}")
    String askToDo(@PathVariable String listing, @PathVariable long row, @PathVariable int number,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model, HttpServletRequest request) {
        Filling filling = filling(listing, parameters, language, request);
        Deed deed = deed(filling, number);
        Row found = find(filling, row);
        frame(filling, found, model);
        model.addAttribute("deed", deed.label());
        model.addAttribute("at", rows(filling) + "/" + row + "/do/" + number);
        if (!isToBeDone(filling, deed, row)) {
            model.addAttribute("problem", words(filling).say("problem.not-granted.change-this"));
        }
        return "site/deed";
    }

    @PostMapping(ROW + "/do/{number:\\d{1,2}}")
    String carryOut(@PathVariable String listing, @PathVariable long row, @PathVariable int number,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model, HttpServletRequest request,
            RedirectAttributes flash) {
        Filling filling = filling(listing, parameters, language, request);
        Deed deed = deed(filling, number);
        Row found = find(filling, row);
        Map<FieldKey, Optional<Value>> was = new HashMap<>();
        Map<FieldKey, Optional<Value>> give = new HashMap<>();
        sheets.row(filling.asking(), row, deed.gives().stream().map(Stamp::field).toList(), language).ifPresent(now ->
                deed.gives().forEach(stamp -> {
                    was.put(stamp.field(), now.find(stamp.field()));
                    give.put(stamp.field(), stamp.on(filling.table().field(stamp.field()),
                            filling.visitor.on(LocalDate.now(clock)), LocalDateTime.now(clock)));
                }));
        try {
            offered(isToBeDone(filling, deed, row));
            if (pace.writing(() -> editing.change(filling.visitor, filling.table().key(), row, was, give, author()))
                    instanceof RowEditing.Outcome.Done(Long act)) {
                return back(filling, act == null ? "change.same" : "change.changed", act, flash);
            }
            model.addAttribute("problem", words(filling).say("problem.not-granted.change-this"));
        } catch (ProblemsFound refused) {
            model.addAttribute("problem", words(filling).say(refused.problems().all().getFirst()));
        }
        frame(filling, found, model);
        model.addAttribute("deed", deed.label());
        return "site/deed";
    }

    private static Deed deed(Filling filling, int number) {
        List<Deed> deeds = filling.changing().deeds();
        offered(number >= 1 && number <= deeds.size());
        return deeds.get(number - 1);
    }

    private boolean isToBeDone(Filling filling, Deed deed, long row) {
        return may(filling, Verb.CHANGE, row)
                && !editing.among(filling.visitor, filling.table().key(), deed.when(), Set.of(row)).isEmpty();
    }

    /** What can be done with several rows at once: a field is chosen, and then given the same in all of them; or they go. */
    @GetMapping(LISTING + "/several")
    String several(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters, Locale language,
            Model model, HttpServletRequest request) {
        Filling filling = several(listing, parameters, language, request);
        List<Long> rows = picked(filling, parameters);
        List<Field> one = filling.fields.stream().filter(field -> field.key().name()
                .equals(parameters.getFirst("field"))).toList();
        RowForm form = one.isEmpty() ? null : RowForm.of(one, Map.of(), words(filling));
        return severally(filling, rows, form, model);
    }

    @PostMapping(LISTING + "/several")
    String doSeverally(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters, Locale language,
            Model model, HttpServletRequest request, RedirectAttributes flash) {
        Filling filling = several(listing, parameters, language, request);
        List<Long> rows = picked(filling, parameters);
        List<Field> one = filling.fields.stream().filter(field -> field.key().name()
                .equals(parameters.getFirst("field"))).toList();
        RowForm form = null;
        try {
            if (rows.isEmpty()) {
                return severally(filling, rows, null, model);
            }
            if ("remove".equals(parameters.getFirst("do"))) {
                offered(filling.changing().remove());
                return back(filling, "change.removed-several", pace.writing(() -> editing.remove(filling.visitor,
                        filling.table().key(), rows, author())), flash);
            }
            offered(filling.changing().change() && !one.isEmpty());
            Filling of = new Filling(filling.open, filling.visitor, language, one);
            form = sent(of, parameters);
            if (!form.isWrong()) {
                Map<FieldKey, Optional<Value>> values = form.values();
                RowEditing.Outcome outcome = pace.writing(() -> editing.changeAll(filling.visitor, filling.table()
                        .key(), rows,
                        values, author()));
                if (outcome instanceof RowEditing.Outcome.Done(Long act)) {
                    return back(filling, "change.changed-several", act, flash);
                }
                form = with(form, outcome, filling, model);
            }
        } catch (ProblemsFound refused) {
            model.addAttribute("problem", words(filling).say(refused.problems().all().getFirst()));
        }
        return severally(filling, rows, form, model);
    }

    private Filling several(String listing, MultiValueMap<String, String> parameters, Locale language,
            HttpServletRequest request) {
        Filling filling = filling(listing, parameters, language, request);
        offered(filling.changing().several());
        return filling;
    }

    /** Those of the rows named that the visitor sees in the listing. */
    private List<Long> picked(Filling filling, MultiValueMap<String, String> parameters) {
        List<Long> named = parameters.getOrDefault("row", List.of()).stream().filter(text -> text.matches("\\d{1,18}"))
                .map(Long::valueOf).distinct().limit(MOST_AT_ONCE).toList();
        return named.stream().filter(row -> sheets.row(filling.asking(), row, List.of(), filling.language)
                .isPresent()).toList();
    }

    private String severally(Filling filling, List<Long> rows, @Nullable RowForm form, Model model) {
        frame(filling, null, model);
        model.addAttribute("picked", rows);
        model.addAttribute("form", form);
        model.addAttribute("choices", filling.changing().change() ? filling.fields : List.of());
        model.addAttribute("removable", filling.changing().remove());
        return "site/several";
    }

    /** What rows are called that a field of the form could lead to, as far as the visitor sees them. */
    @GetMapping(LISTING + "/refer/{field}")
    String refer(@PathVariable String listing, @PathVariable String field, @RequestParam(defaultValue = "") String called,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model,
            HttpServletRequest request) {
        Filling filling = filling(listing, parameters, language, request);
        offered(filling.changing().add() || filling.changing().change());
        Field reference = filling.fields.stream().filter(each -> each.key().name().equals(field)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.listing"));
        model.addAttribute("found", references.called(filling.asking().sight(), filling.visitor, reference, called,
                language));
        return "site/controls :: found";
    }

    /** What the listing does not offer is not there. */
    private static void offered(boolean isOffered) {
        if (!isOffered) {
            throw new NotThere("not-there.listing");
        }
    }

    private Row find(Filling filling, long row) {
        List<FieldKey> fields = new ArrayList<>(filling.keys());
        filling.table().headingField().map(Field::key).ifPresent(fields::add);
        return sheets.row(filling.asking(), row, fields, filling.language)
                .orElseThrow(() -> new NotThere("not-there.one-row"));
    }

    private boolean may(Filling filling, Verb verb, long row) {
        return !editing.may(filling.visitor, verb, filling.table().key(), Set.of(row)).isEmpty();
    }

    private RowForm sent(Filling filling, MultiValueMap<String, String> parameters) {
        CalledRows.Named named = references.named(filling.asking().sight(), filling.visitor, filling.fields,
                parameters, filling.language);
        RowForm form = named.restored(RowForm.sent(filling.fields, named.parameters(), words(filling), words(filling)),
                words(filling));
        return form.with(missing(filling, form), words(filling));
    }

    /** What is needed and not there is said along with all else that is wrong. */
    private static Map<FieldKey, Problem> missing(Filling filling, RowForm form) {
        Map<FieldKey, Problem> missing = new HashMap<>();
        filling.fields.forEach(field -> Optional.ofNullable(form.values().get(field.key()))
                .flatMap(value -> field.rules().check(value.orElse(null)))
                .ifPresent(problem -> missing.put(field.key(), problem)));
        return missing;
    }

    private String show(Filling filling, RowForm form, @Nullable Row row, Model model) {
        frame(filling, row, model);
        model.addAttribute("form", form);
        model.addAttribute("removable", row != null && filling.changing().remove() && may(filling, Verb.REMOVE, row.id()));
        return "site/fill";
    }

    private String refused(Filling filling, String why, Model model) {
        frame(filling, null, model);
        model.addAttribute("problem", words(filling).say(why));
        return "site/fill";
    }

    private void frame(Filling filling, @Nullable Row row, Model model) {
        model.addAttribute("page", filling.open.page());
        model.addAttribute("rows", rows(filling));
        model.addAttribute("query", filling.asking().query());
        model.addAttribute("label", filling.table().label());
        model.addAttribute("row", row);
        model.addAttribute("called", row == null ? "" : filling.table().headingField()
                .flatMap(heading -> row.find(heading.key()).map(value -> words(filling).written(heading, value))).orElse(""));
    }

    private String back(Filling filling, String said, @Nullable Long act, RedirectAttributes flash) {
        String page = "/" + filling.open.page().key() + filling.asking().query();
        if (filling.visitor.kind() == Visitor.Kind.ANYONE) {
            // nothing is kept of those who are not signed in; the address tells
            return "redirect:" + page + (page.contains("?") ? "&" : "?") + "done=" + said.replace("change.", "");
        }
        flash.addFlashAttribute("said", words(filling).say(said));
        if (act != null) {
            flash.addFlashAttribute("undo", act);
            flash.addFlashAttribute("undoAt", "/listings/" + filling.asking().listing().key() + "/undo");
        }
        return "redirect:" + Objects.requireNonNull(page);
    }

    private Words words(Filling filling) {
        return new Words(messages, filling.language);
    }
}
