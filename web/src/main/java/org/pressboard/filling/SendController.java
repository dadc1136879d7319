package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.pressboard.control.AskedForm;
import org.pressboard.control.FormDesk;
import org.pressboard.control.RowForm;
import org.pressboard.editing.FormSending;
import org.pressboard.editing.RowEditing;
import org.pressboard.form.Afterwards;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.pace.Pace;
import org.pressboard.signin.Browsers;
import org.pressboard.site.OpenRows;
import org.pressboard.stand.OpenForm;
import org.pressboard.stand.Stands;
import org.pressboard.value.RowId;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriUtils;

/** Forms at addresses of their own, and what is sent by them; they work without scripts. */
@Controller
class SendController {

    /** Where a form is. */
    static final String AT = "/{page:[a-z][a-z0-9-]*}/send/{form}";

    private final Stands stands;
    private final OpenRows rows;
    private final FormDesk desk;
    private final FormSending sending;
    private final FormLetters letters;
    private final Browsers browsers;
    private final Pace pace;
    private final TransactionTemplate transaction;
    private final FormFiles files;

    SendController(Stands stands, OpenRows rows, FormDesk desk, FormSending sending, FormLetters letters,
            Browsers browsers, Pace pace, PlatformTransactionManager transactions, FormFiles files) {
        this.files = files;
        this.stands = stands;
        this.rows = rows;
        this.desk = desk;
        this.sending = sending;
        this.letters = letters;
        this.browsers = browsers;
        this.pace = pace;
        this.transaction = new TransactionTemplate(transactions);
    }

    private OpenForm open(Visit visit, String page, String form, int cost) {
        pace.spend(visit.address(), cost);
        return stands.published(visit, page).form(form);
    }

    @GetMapping(AT)
    String begin(Visit visit, @PathVariable String page, @PathVariable String form, @RequestParam Map<String, String> given,
            Model model, HttpServletRequest request, HttpServletResponse response) {
        OpenForm open = open(visit, page, form, Pace.PAGE);
        response.setHeader("Cache-Control", "no-store");
        return show(open, !open.may() ? FormDesk.closed(open) : desk.begin(open, given, browsers.sender(request)), model);
    }

    @PostMapping(AT)
    String send(Visit visit, @PathVariable String page, @PathVariable String form, @RequestParam MultiValueMap<String, String> parameters,
            Model model, HttpServletRequest request, HttpServletResponse response) throws IOException {
        OpenForm open = open(visit, page, form, Pace.WRITE);
        FormFiles.Sent sent = files.sent(open.fields(), parameters, request, desk.words(open));
        RowForm filled = desk.read(open, sent.parameters());
        if (!sent.problem().isEmpty()) {
            return show(open, desk.again(open, filled, sent.problem(), desk.token(open, parameters,
                    Optional.empty())), model);
        }
        Optional<String> suspicion = desk.suspicion(open, parameters);
        String token = desk.token(open, parameters, suspicion);
        Optional<String> problem = filled.isWrong() ? Optional.of("form.wrong")
                : suspicion.or(() -> Optional.of("problem.entry.nothing").filter(nothing -> filled.isUnfilled()));
        if (problem.isPresent()) {
            return show(open, desk.again(open, filled, desk.words(open).say(problem.get()), token), model);
        }
        try {
            String sender = browsers.sender(request, response);
            Visitor visitor = browsers.sending(open.visitor(), open.table().browsers(), request, response);
            RowEditing.Added added = pace.writing(() -> transaction.execute(status ->
                    send(open, visitor, sender, filled)));
            if (Objects.requireNonNull(added).outcome() instanceof RowEditing.Outcome.Refused(var problems)) {
                return show(open, desk.again(open, filled.with(problems, desk.words(open)),
                        desk.words(open).say("form.wrong"), token), model);
            }
            return "redirect:" + afterwards(open, visitor, added.row(), Objects.requireNonNullElse(parameters.getFirst("back"), ""));
        } catch (ProblemsFound refused) {
            return show(open, desk.again(open, filled, desk.words(open).say(refused.problems().all()
                    .getFirst()), token),
                    model);
        }
    }

    private RowEditing.Added send(OpenForm open, Visitor visitor, String sender, RowForm filled) {
        RowEditing.Added added = sending.send(visitor, sender, open.on().page(), open.form(), filled.filled(),
                open.on().visit().author(Author.Origin.PAGE));
        if (added.outcome() instanceof RowEditing.Outcome.Done) {
            letters.write(open, added.row(), sender);
        }
        return added;
    }

    /** Whoever came from a row goes back to it. */
    private String afterwards(OpenForm open, Visitor visitor, RowId row, String back) {
        String page = open.on().stand().page() + (back.isEmpty() ? ""
                : "/" + UriUtils.encodePathSegment(back, StandardCharsets.UTF_8));
        String thanks = page + "?sent=" + open.form().key();
        return switch (open.form().then()) {
            case Afterwards.Thanks said -> thanks;
            case Afterwards.ToPage(String other) -> "/" + other + "?sent=" + open.form().key();
            case Afterwards.ToRow there -> rows.address(open.on().as(visitor), open.table(), row).orElse(thanks);
        };
    }

    private static String show(OpenForm open, AskedForm asked, Model model) {
        model.addAttribute("page", open.on().page());
        model.addAttribute("asked", asked);
        return "site/send";
    }
}
