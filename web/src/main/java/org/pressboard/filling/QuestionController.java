package org.pressboard.filling;

import java.util.List;
import org.pressboard.control.CalledRows;
import org.pressboard.control.FormDesk;
import org.pressboard.pace.Pace;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.OpenForm;
import org.pressboard.stand.Stands;
import org.pressboard.table.Field;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** What a form's questions ask of the site while somebody answers them. */
@Controller
class QuestionController {

    private final Stands stands;
    private final FormDesk desk;
    private final CalledRows references;
    private final Pace pace;

    QuestionController(Stands stands, FormDesk desk, CalledRows references, Pace pace) {
        this.stands = stands;
        this.desk = desk;
        this.references = references;
        this.pace = pace;
    }

    /** The fields of the questions that are asked of whoever has answered so far. */
    @PostMapping(SendController.AT + "/asked")
    @ResponseBody List<String> asked(Visit visit, @PathVariable String page, @PathVariable String form,
            @RequestParam MultiValueMap<String, String> parameters) {
        OpenForm open = open(visit, page, form);
        return desk.asked(open, desk.read(open, parameters)).stream().map(key -> key.name()).toList();
    }

    /** What rows are called that a question could be answered with, as far as the visitor sees them. */
    @GetMapping(SendController.AT + "/refer/{field}")
    String refer(Visit visit, @PathVariable String page, @PathVariable String form, @PathVariable String field,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        OpenForm open = open(visit, page, form);
        Field reference = open.fields().stream().filter(each -> each.key().name().equals(field)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.form"));
        model.addAttribute("found", references.called(open.on().visit(), reference, parameters));
        return "site/controls :: found";
    }

    private OpenForm open(Visit visit, String page, String form) {
        pace.spend(visit.address(), Pace.PAGE);
        return stands.published(visit, page).form(form);
    }
}
