package org.pressboard.filling;

import static org.pressboard.filling.Fillings.offered;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.control.RowForm;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.listing.Changing;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.pace.Pace;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Several rows of a listing at once: a field is chosen, and then given the same in all of them; or they go. */
@Controller
class SeveralController {

    private static final String SEVERAL = Fillings.LISTING + "/several";
    private static final int MOST_AT_ONCE = 100;

    private final Fillings fillings;
    private final VisitorEditing editing;
    private final Pace pace;

    SeveralController(Fillings fillings, VisitorEditing editing, Pace pace) {
        this.fillings = fillings;
        this.editing = editing;
        this.pace = pace;
    }

    @GetMapping(SEVERAL)
    String several(Filling asked, Model model) {
        Filling all = several(asked);
        List<RowId> rows = picked(all);
        Filling filling = fillings.of(all, rows);
        Filling one = chosen(filling);
        return show(filling, rows, one.fields().isEmpty() ? null
                : RowForm.of(one.fields(), Map.of(), fillings.words(filling)), model);
    }

    @PostMapping(SEVERAL)
    String change(Filling asked, Model model, RedirectAttributes flash) {
        Filling all = several(asked);
        List<RowId> rows = picked(all);
        Filling filling = fillings.of(all, rows);
        if (rows.isEmpty()) {
            return show(filling, rows, null, model);
        }
        if ("remove".equals(filling.sent().parameters().getFirst("do"))) {
            return remove(filling, rows, model, flash);
        }
        Filling one = chosen(filling);
        offered(filling.changing().change() && !one.fields().isEmpty());
        return switch (fillings.write(one, form -> editing.changeAll(filling.visitor(), filling.table().key(),
                rows, form.values(), filling.author()), model)) {
            case Fillings.Tried.Done(Long act) -> fillings.back(filling, "change.changed-several", act, flash);
            case Fillings.Tried.Against(RowForm form) -> show(filling, rows, form, model);
        };
    }

    private String remove(Filling filling, List<RowId> rows, Model model, RedirectAttributes flash) {
        offered(filling.changing().remove());
        try {
            return fillings.back(filling, "change.removed-several", pace.writing(() -> editing.remove(filling.visitor(),
                    filling.table().key(), rows, filling.author())), flash);
        } catch (ProblemsFound refused) {
            fillings.tell(filling, refused, model);
            return show(filling, rows, null, model);
        }
    }

    private static Filling several(Filling asked) {
        offered(asked.changing().several());
        return asked.with(Changing::canBeSame);
    }

    private static Filling chosen(Filling filling) {
        return filling.of(Objects.requireNonNullElse(filling.sent().parameters().getFirst("field"), ""));
    }

    /** Those of the rows named that the visitor sees in the listing. */
    private List<RowId> picked(Filling filling) {
        List<RowId> named = filling.sent().parameters().getOrDefault("row", List.of()).stream()
                .flatMap(text -> RowId.read(text).stream()).distinct().limit(MOST_AT_ONCE).toList();
        return fillings.rows(filling, named, List.of()).stream().map(Row::id).toList();
    }

    private String show(Filling filling, List<RowId> rows, @Nullable RowForm form, Model model) {
        fillings.frame(filling, null, model);
        model.addAttribute("picked", rows);
        model.addAttribute("form", form);
        model.addAttribute("choices", filling.changing().change() ? filling.fields() : List.of());
        model.addAttribute("removable", filling.changing().remove());
        if (filling.changing().remove()) {
            fillings.along(filling, rows, model);
        }
        return "site/several";
    }
}
