package org.pressboard.desk.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.desk.table.FreshFields;
import org.pressboard.edition.Page;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Questions of a form that its table has no field for yet: asking makes one. */
@Controller
class FormQuestions {

    private final Catalog catalog;
    private final Drafts drafts;
    private final FreshFields fresh;
    private final FormBench bench;

    FormQuestions(Catalog catalog, Drafts drafts, FreshFields fresh, FormBench bench) {
        this.catalog = catalog;
        this.drafts = drafts;
        this.fresh = fresh;
        this.bench = bench;
    }

    /** Makes the field and asks for it, last of all. */
    @PostMapping("/desk/forms/{page}/{form}/question")
    String ask(Visit visit, @PathVariable String page, @PathVariable String form, @RequestParam MultiValueMap<String, String> parameters,
            Model model) {
        Page draft = DraftedPages.draft(catalog, page);
        Form asking = Optional.of(form).filter(FormKey::isValid).map(FormKey::new).flatMap(draft::form)
                .orElseThrow(() -> new NotThere("not-there.form"));
        Table into = catalog.table(asking.table()).orElseThrow(() -> new NotThere("not-there.table"));
        try {
            Field field = fresh.make(visit, into, read(parameters));
            drafts.change(draft.key(), visit.author().who(), now -> now.changing(asking.key(), it -> it.asking(
                    Stream.concat(it.questions().stream(), Stream.of(Question.of(field.key()))).toList())));
        } catch (ProblemsFound against) {
            model.addAttribute("problem", bench.said(against));
        }
        return bench.shown(visit, page, form, model);
    }

    /** Options are typed one behind the other, with commas between. */
    private static MultiValueMap<String, String> read(MultiValueMap<String, String> sent) {
        MultiValueMap<String, String> read = new LinkedMultiValueMap<>(sent);
        List<String> options = new ArrayList<>();
        sent.getOrDefault("options", List.of()).forEach(typed -> Stream.of(typed.split("[,;\\n]")).map(String::strip)
                .filter(option -> !option.isEmpty()).forEach(options::add));
        read.put("option", options);
        return read;
    }
}
