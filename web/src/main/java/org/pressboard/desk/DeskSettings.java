package org.pressboard.desk;

import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Site;
import org.pressboard.log.Logged;
import org.pressboard.schema.IndexUpkeep;
import org.pressboard.schema.Publisher;
import org.pressboard.signin.LogBook;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The tab with what holds for the whole site. */
@Controller
class DeskSettings {

    private final Catalog catalog;
    private final Publisher publisher;
    private final IndexUpkeep indexes;
    private final LogBook log;

    DeskSettings(Catalog catalog, Publisher publisher, IndexUpkeep indexes, LogBook log) {
        this.publisher = publisher;
        this.catalog = catalog;
        this.indexes = indexes;
        this.log = log;
    }

    @GetMapping("/desk/settings")
    String settings(Model model) {
        model.addAttribute("site", catalog.site());
        model.addAttribute("suggested", catalog.suggestedAddress());
        model.addAttribute("languages", Site.LANGUAGES);
        return "desk/settings";
    }

    @PostMapping("/desk/settings")
    String change(@RequestParam String name, @RequestParam String language,
            @RequestParam(defaultValue = "") String address,
            @RequestParam(defaultValue = "INVITED") Site.SignUp signUp, Model model, RedirectAttributes flash) {
        String plainAddress = address.strip().replaceAll("/+$", "");
        String problem = problem(name, language, plainAddress);
        if (!problem.isEmpty()) {
            model.addAttribute("problem", problem);
            return settings(model);
        }
        publisher.changeSite(new Site(name.strip(), language, plainAddress, signUp));
        log.note(Logged.What.SITE_CHANGED, "");
        indexes.complete();
        flash.addFlashAttribute("changed", true);
        return "redirect:/desk/settings";
    }

    private static String problem(String name, String language, String address) {
        if (name.isBlank() || name.strip().length() > 80) {
            return "desk.settings.no-name";
        }
        if (!Site.LANGUAGES.contains(language)) {
            return "desk.settings.no-language";
        }
        return Site.isAddress(address) ? "" : "desk.settings.no-address";
    }
}
