package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.pressboard.control.AskedForm;
import org.pressboard.control.CalledRows;
import org.pressboard.control.FormDesk;
import org.pressboard.control.RowForm;
import org.pressboard.editing.FormSending;
import org.pressboard.editing.RowEditing;
import org.pressboard.form.Afterwards;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.sheet.NotThere;
import org.pressboard.sheet.Pace;
import org.pressboard.signin.Browsers;
import org.pressboard.signin.SignedIn;
import org.pressboard.site.OpenForms;
import org.pressboard.site.OpenRows;
import org.pressboard.table.Field;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.util.UriUtils;

/** Forms at addresses of their own, and what is sent by them; they work without scripts. */
@Controller
class SendController {

    private static final String AT = "/{page:[a-z][a-z0-9-]*}/send/{form}";

    private final OpenForms forms;
    private final OpenRows rows;
    private final FormDesk desk;
    private final FormSending sending;
    private final FormLetters letters;
    private final CalledRows references;
    private final Browsers browsers;
    private final Pace pace;
    private final TransactionTemplate transaction;
    private final FormFiles files;

    SendController(OpenForms forms, OpenRows rows, FormDesk desk, FormSending sending, FormLetters letters,
            CalledRows references, Browsers browsers, Pace pace, PlatformTransactionManager transactions,
            FormFiles files) {
        this.files = files;
        this.forms = forms;
        this.rows = rows;
        this.desk = desk;
        this.sending = sending;
        this.letters = letters;
        this.references = references;
        this.browsers = browsers;
        this.pace = pace;
        this.transaction = new TransactionTemplate(transactions);
    }

    private OpenForms.Open open(String page, String form, int cost, HttpServletRequest request) {
        pace.spend(request.getRemoteAddr(), cost);
        return forms.open(page, form, SignedIn.currentVisitor());
    }

    @GetMapping(AT)
    String begin(@PathVariable String page, @PathVariable String form, @RequestParam Map<String, String> given,
            Locale language, Model model, HttpServletRequest request, HttpServletResponse response) {
        OpenForms.Open open = open(page, form, Pace.PAGE, request);
        response.setHeader("Cache-Control", "no-store");
        FormDesk.Sitting sitting = open.sitting(language);
        return show(open, !open.may() ? FormDesk.closed(sitting) : desk.begin(sitting, given, open.name(),
                browsers.sender(request)), model);
    }

    @PostMapping(AT)
    String send(@PathVariable String page, @PathVariable String form, @RequestParam MultiValueMap<String, String> parameters,
            Locale language, Model model, HttpServletRequest request, HttpServletResponse response) throws IOException {
        OpenForms.Open open = open(page, form, Pace.WRITE, request);
        FormDesk.Sitting sitting = open.sitting(language);
        FormFiles.Sent sent = files.sent(sitting.fields(), parameters, request, desk.words(sitting));
        RowForm filled = desk.read(sitting, sent.parameters());
        if (!sent.problem().isEmpty()) {
            return show(open, desk.again(sitting, filled, sent.problem(), desk.token(sitting, parameters,
                    Optional.empty())), model);
        }
        Optional<String> suspicion = desk.suspicion(sitting, parameters);
        String token = desk.token(sitting, parameters, suspicion);
        Optional<String> problem = filled.isWrong() ? Optional.of("form.wrong")
                : suspicion.or(() -> Optional.of("problem.entry.nothing").filter(nothing -> filled.isUnfilled()));
        if (problem.isPresent()) {
            return show(open, desk.again(sitting, filled, desk.words(sitting).say(problem.get()), token), model);
        }
        try {
            String sender = browsers.sender(request, response);
            Visitor visitor = browsers.sending(sitting.visitor(), open.table().browsers(), request, response);
            RowEditing.Added added = pace.writing(() -> transaction.execute(status ->
                    send(open, visitor, sender, filled)));
            if (Objects.requireNonNull(added).outcome() instanceof RowEditing.Outcome.Refused(var problems)) {
                return show(open, desk.again(sitting, filled.with(problems, desk.words(sitting)),
                        desk.words(sitting).say("form.wrong"), token), model);
            }
            return "redirect:" + afterwards(open, visitor, added.row(), Objects.requireNonNullElse(parameters.getFirst("back"),
                    ""), language);
        } catch (ProblemsFound refused) {
            return show(open, desk.again(sitting, filled, desk.words(sitting).say(refused.problems().all()
                    .getFirst()), token),
                    model);
        }
    }

    private RowEditing.Added send(OpenForms.Open open, Visitor visitor, String sender, RowForm filled) {
        RowEditing.Added added = sending.send(visitor, sender, open.page(), open.form(), filled.filled(),
                SignedIn.author().from(Author.Origin.PAGE));
        if (added.outcome() instanceof RowEditing.Outcome.Done) {
            letters.write(open, added.row(), sender);
        }
        return added;
    }

    /** Whoever came from a row goes back to it. */
    private String afterwards(OpenForms.Open open, Visitor visitor, long row, String back, Locale language) {
        String page = "/" + open.page().key() + (back.isEmpty() ? ""
                : "/" + UriUtils.encodePathSegment(back, StandardCharsets.UTF_8));
        String thanks = page + "?sent=" + open.form().key();
        return switch (open.form().then()) {
            case Afterwards.Thanks said -> thanks;
            case Afterwards.ToPage(String other) -> "/" + other + "?sent=" + open.form().key();
            case Afterwards.ToRow there -> rows.address(open.page(), open.table(), row, visitor, language)
                    .orElse(thanks);
        };
    }

    /** The fields of the questions that are asked of whoever has answered so far. */
    @PostMapping(AT + "/asked")
    @ResponseBody List<String> asked(@PathVariable String page, @PathVariable String form,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, HttpServletRequest request) {
        OpenForms.Open open = open(page, form, Pace.PAGE, request);
        FormDesk.Sitting sitting = open.sitting(language);
        return desk.asked(sitting, desk.read(sitting, parameters)).stream().map(key -> key.name()).toList();
    }

    /** What rows are called that a question could be answered with, as far as the visitor sees them. */
    @GetMapping(AT + "/refer/{field}")
    String refer(@PathVariable String page, @PathVariable String form, @PathVariable String field,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model, HttpServletRequest request) {
        OpenForms.Open open = open(page, form, Pace.PAGE, request);
        Field reference = open.sitting(language).fields().stream().filter(each -> each.key().name().equals(field)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.form"));
        model.addAttribute("found", references.called(open.sight(), SignedIn.currentVisitor(), reference, parameters, language));
        return "site/controls :: found";
    }

    private static String show(OpenForms.Open open, AskedForm asked, Model model) {
        model.addAttribute("page", open.page());
        model.addAttribute("asked", asked);
        return "site/send";
    }
}
