package org.pressboard.filling;

import static org.pressboard.filling.Fillings.LISTING;
import static org.pressboard.filling.Fillings.ROW;
import static org.pressboard.filling.Fillings.offered;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.pressboard.control.CalledRows;
import org.pressboard.control.RowForm;
import org.pressboard.editing.RowEditing;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Verb;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.pace.Pace;
import org.pressboard.signin.Browsers;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Field;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Forms in which visitors add, change and remove rows of a listing; they work without scripts. */
@Controller
class FillingController {

    private final Fillings fillings;
    private final VisitorEditing editing;
    private final CalledRows references;
    private final Browsers browsers;
    private final Pace pace;
    private final OwnActs theirs;

    FillingController(Fillings fillings, VisitorEditing editing, CalledRows references, Browsers browsers, Pace pace,
            OwnActs theirs) {
        this.theirs = theirs;
        this.browsers = browsers;
        this.fillings = fillings;
        this.editing = editing;
        this.references = references;
        this.pace = pace;
    }

    @GetMapping(LISTING + "/add")
    String begin(Filling asked, Model model) {
        Filling filling = fillings.ofNew(asked);
        offered(filling.changing().add());
        if (!editing.mayAdd(filling.visitor(), filling.table().key())) {
            return refused(filling, "problem.not-granted.add", model);
        }
        return show(filling, RowForm.of(filling.fields(), starts(filling), fillings.words(filling)), null, model);
    }

    private Map<FieldKey, Value> starts(Filling filling) {
        return Field.begun(filling.fields(), filling.asking().visit().standpoint());
    }

    @PostMapping(LISTING + "/add")
    String add(Filling asked, Model model, RedirectAttributes flash) {
        Filling filling = fillings.ofNew(asked);
        offered(filling.changing().add());
        Filling sent = filling.by(browsers.sending(filling.visitor(), filling.table().browsers(), filling.sent().request(),
                filling.sent().response()));
        return attempt(sent, null, form -> editing.add(sent.visitor(), sent.table().key(), something(form),
                filling.author()).outcome(), model, flash);
    }

    private static Map<FieldKey, Value> something(RowForm form) {
        if (form.isUnfilled()) {
            throw ProblemsFound.of("entry.nothing");
        }
        return form.filled();
    }

    @GetMapping(ROW + "/change")
    String open(Filling asked, @PathVariable RowId row, Model model) {
        Filling filling = fillings.of(asked, Set.of(row));
        offered(filling.changing().change());
        Row found = fillings.row(filling, row);
        if (!fillings.may(filling, Verb.CHANGE, row)) {
            return refused(filling, "problem.not-granted.change-this", model);
        }
        return show(filling, RowForm.of(filling.fields(), found.values(), fillings.words(filling)), found, model);
    }

    @PostMapping(ROW + "/change")
    String change(Filling asked, @PathVariable RowId row, Model model, RedirectAttributes flash) {
        Filling filling = fillings.of(asked, Set.of(row));
        offered(filling.changing().change());
        Row found = fillings.row(filling, row);
        return attempt(filling, found, form -> editing.change(filling.visitor(), filling.table().key(), row,
                form.was(), form.values(), filling.author()), model, flash);
    }

    /** Does what was sent of a row, a new one where there is none; what cannot be done is said in the form. */
    private String attempt(Filling filling, @Nullable Row row, Function<RowForm, RowEditing.Outcome> write, Model model,
            RedirectAttributes flash) {
        return switch (fillings.write(filling, write, model)) {
            case Fillings.Tried.Done(Long act) when row == null -> fillings.back(filling, "change.added",
                    act != null && theirs.is(filling.table(), filling.visitor(), act) ? act : null, flash);
            case Fillings.Tried.Done(Long act) -> fillings.back(filling, act == null ? "change.same" : "change.changed", act, flash);
            case Fillings.Tried.Against(RowForm form) -> show(filling, form, row, model);
        };
    }

    /** Asks once more before a row goes. */
    @GetMapping(ROW + "/remove")
    String ask(Filling filling, @PathVariable RowId row, Model model) {
        offered(filling.changing().remove());
        Row found = fillings.row(filling, row);
        if (!fillings.may(filling, Verb.REMOVE, row)) {
            return refused(filling, "problem.not-granted.remove-this", model);
        }
        fillings.frame(filling, found, model);
        fillings.along(filling, List.of(found.id()), model);
        return "site/remove";
    }

    @PostMapping(ROW + "/remove")
    String remove(Filling filling, @PathVariable RowId row, Model model, RedirectAttributes flash) {
        offered(filling.changing().remove());
        Row found = fillings.row(filling, row);
        try {
            long act = pace.writing(() -> editing.remove(filling.visitor(), filling.table().key(), List.of(found.id()),
                    filling.author()));
            return fillings.back(filling, "change.removed", act, flash);
        } catch (ProblemsFound against) {
            fillings.frame(filling, found, model);
            fillings.along(filling, List.of(found.id()), model);
            fillings.tell(filling, against, model);
            return "site/remove";
        }
    }

    /** What rows are called that a field of the form could lead to, as far as the visitor sees them. */
    @GetMapping(LISTING + "/refer/{field}")
    String refer(Filling filling, @PathVariable String field, Model model) {
        offered(filling.changing().add() || filling.changing().change());
        Field reference = filling.of(field).fields().stream().findFirst()
                .orElseThrow(() -> new NotThere("not-there.listing"));
        model.addAttribute("found", references.called(filling.asking().visit(), reference, filling.sent().parameters()));
        return "site/controls :: found";
    }

    private String show(Filling filling, RowForm form, @Nullable Row row, Model model) {
        fillings.frame(filling, row, model);
        model.addAttribute("form", form);
        model.addAttribute("removable", row != null && filling.changing().remove()
                && fillings.may(filling, Verb.REMOVE, row.id()));
        return "site/fill";
    }

    private String refused(Filling filling, String why, Model model) {
        fillings.frame(filling, null, model);
        model.addAttribute("problem", fillings.words(filling).say(why));
        return "site/fill";
    }
}
