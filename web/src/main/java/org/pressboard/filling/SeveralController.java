package org.pressboard.filling;

import static org.pressboard.filling.Fillings.offered;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.control.RowForm;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.listing.Changing;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.sheet.Pace;
import org.pressboard.sheet.Sheets;
import org.pressboard.value.Row;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Several rows of a listing at once: a field is chosen, and then given the same in all of them; or they go. */
@Controller
class SeveralController {

    private static final String SEVERAL = Fillings.LISTING + "/several";
    private static final int MOST_AT_ONCE = 100;

    private final Fillings fillings;
    private final Sheets sheets;
    private final VisitorEditing editing;
    private final Pace pace;

    SeveralController(Fillings fillings, Sheets sheets, VisitorEditing editing, Pace pace) {
        this.fillings = fillings;
        this.sheets = sheets;
        this.editing = editing;
        this.pace = pace;
    }

    @GetMapping(SEVERAL)
    String several(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters, Locale language,
            Model model, HttpServletRequest request) {
        Filling all = find(listing, parameters, language, request);
        List<Long> rows = picked(all, parameters);
        Filling filling = fillings.of(all, rows, parameters);
        Filling one = chosen(filling, parameters);
        return show(filling, rows, one.fields().isEmpty() ? null
                : RowForm.of(one.fields(), Map.of(), fillings.words(filling)), model);
    }

    @PostMapping(SEVERAL)
    String change(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters, Locale language,
            Model model, HttpServletRequest request, RedirectAttributes flash) {
        Filling all = find(listing, parameters, language, request);
        List<Long> rows = picked(all, parameters);
        Filling filling = fillings.of(all, rows, parameters);
        if (rows.isEmpty()) {
            return show(filling, rows, null, model);
        }
        if ("remove".equals(parameters.getFirst("do"))) {
            return remove(filling, rows, model, flash);
        }
        Filling one = chosen(filling, parameters);
        offered(filling.changing().change() && !one.fields().isEmpty());
        return switch (fillings.write(one, parameters, request, form -> editing.changeAll(filling.visitor(), filling.table().key(),
                rows, form.values(), Fillings.author()), model)) {
            case Fillings.Tried.Done(Long act) -> fillings.back(filling, "change.changed-several", act, flash);
            case Fillings.Tried.Against(RowForm form) -> show(filling, rows, form, model);
        };
    }

    private String remove(Filling filling, List<Long> rows, Model model, RedirectAttributes flash) {
        offered(filling.changing().remove());
        try {
            return fillings.back(filling, "change.removed-several", pace.writing(() -> editing.remove(filling.visitor(),
                    filling.table().key(), rows, Fillings.author())), flash);
        } catch (ProblemsFound refused) {
            fillings.tell(filling, refused, model);
            return show(filling, rows, null, model);
        }
    }

    private Filling find(String listing, MultiValueMap<String, String> parameters, Locale language,
            HttpServletRequest request) {
        Filling filling = fillings.find(listing, parameters, language, request).with(Changing::canBeSame);
        offered(filling.changing().several());
        return filling;
    }

    private static Filling chosen(Filling filling, MultiValueMap<String, String> parameters) {
        return filling.of(Objects.requireNonNullElse(parameters.getFirst("field"), ""));
    }

    /** Those of the rows named that the visitor sees in the listing. */
    private List<Long> picked(Filling filling, MultiValueMap<String, String> parameters) {
        List<Long> named = parameters.getOrDefault("row", List.of()).stream().filter(text -> text.matches("\\d{1,18}"))
                .map(Long::valueOf).distinct().limit(MOST_AT_ONCE).toList();
        return sheets.rows(filling.asking(), named, List.of(), filling.language()).stream().map(Row::id).toList();
    }

    private String show(Filling filling, List<Long> rows, @Nullable RowForm form, Model model) {
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
