package org.pressboard.desk;

import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Site;
import org.pressboard.schema.Publisher;
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

    DeskSettings(Catalog catalog, Publisher publisher) {
        this.catalog = catalog;
        this.publisher = publisher;
    }

    @GetMapping("/desk/settings")
    String settings(Model model) {
        model.addAttribute("site", catalog.site());
        model.addAttribute("languages", Site.LANGUAGES);
        return "desk/settings";
    }

    @PostMapping("/desk/settings")
    String change(@RequestParam String name, @RequestParam String language, Model model, RedirectAttributes flash) {
        if (name.isBlank() || name.strip().length() > 80) {
            model.addAttribute("problem", "desk.settings.no-name");
            return settings(model);
        }
        catalog.changeSite(new Site(name.strip(), language));
        publisher.completeIndexes();
        flash.addFlashAttribute("changed", true);
        return "redirect:/desk/settings";
    }
}
