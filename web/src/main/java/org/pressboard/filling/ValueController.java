package org.pressboard.filling;

import static org.pressboard.filling.Fillings.offered;

import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.control.RowForm;
import org.pressboard.drawing.DrawnOnce;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.site.SiteFrames;
import org.pressboard.stand.NotThere;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.ModelAndView;
import org.unbescape.html.HtmlEscape;

/** A single value, changed by visitors where it stands. */
@Controller
class ValueController {

    private static final String VALUE = Fillings.ROW + "/value/{field}";

    private final Fillings fillings;
    private final VisitorEditing editing;
    private final DrawnOnce once;
    private final SiteFrames frames;

    ValueController(Fillings fillings, VisitorEditing editing, DrawnOnce once, SiteFrames frames) {
        this.frames = frames;
        this.once = once;
        this.fillings = fillings;
        this.editing = editing;
    }

    @GetMapping(VALUE)
    String value(Filling asked, @PathVariable RowId row, @PathVariable String field, Model model) {
        Filling filling = one(asked, row, field);
        Row found = fillings.row(filling, row);
        if (!fillings.may(filling, Verb.CHANGE, row)) {
            throw new NotThere("not-there.one-row");
        }
        return show(filling, RowForm.of(filling.fields(), found.values(), fillings.words(filling)), row, field, model);
    }

    @PostMapping(VALUE)
    ModelAndView keep(Filling asked, @PathVariable RowId row, @PathVariable String field, Model model) {
        Filling filling = one(asked, row, field);
        return switch (fillings.write(filling, typed -> editing.change(
                filling.asking().rowQuery(), filling.language(), row, typed.was(), typed.values(), filling.author())
                .orElseThrow(() -> new NotThere("not-there.one-row")), model)) {
            case Fillings.Tried.Done(Long act) -> kept(filling, act);
            case Fillings.Tried.Against(RowForm form) -> new ModelAndView(show(filling, form, row, field, model));
        };
    }

    private Filling one(Filling asked, RowId row, String field) {
        offered(asked.changing().change() && asked.changing().inPlace());
        Filling one = fillings.of(asked.with(Changing::canBeTyped).of(field), Set.of(row));
        if (one.fields().isEmpty()) {
            // as where there is no such row: whether there is one is not told
            throw new NotThere("not-there.one-row");
        }
        return one;
    }

    private static String show(Filling filling, RowForm form, RowId row, String field, Model model) {
        model.addAttribute("form", form);
        model.addAttribute("rows", filling.rows());
        model.addAttribute("valueAt", filling.rows() + "/" + row + "/value/" + field);
        return "site/controls :: value";
    }

    private ModelAndView kept(Filling filling, @Nullable Long act) {
        StringBuilder html = new StringBuilder();
        once.draw(html, "site/kept", Map.of("said", act == null ? "change.same" : "change.changed",
                "undoAt", act == null ? "" : filling.asking().addresses().undoing()), filling.language(), Map.of(
                "undo", gap -> gap.append(HtmlEscape.escapeHtml4Xml(act == null ? "" : fillings.undo(filling, act))),
                "token", gap -> gap.append(HtmlEscape.escapeHtml4Xml(frames.of(filling.sent().request()).token()))));
        return new ModelAndView(DrawnOnce.answer(html, filling.language()));
    }
}
