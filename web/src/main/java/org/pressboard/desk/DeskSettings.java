package org.pressboard.desk;

import java.time.Instant;
import java.time.ZoneId;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Site;
import org.pressboard.catalog.SiteTime;
import org.pressboard.log.Logged;
import org.pressboard.memory.Budget;
import org.pressboard.schema.IndexUpkeep;
import org.pressboard.schema.Publisher;
import org.pressboard.words.Moments;
import org.pressboard.signin.LogBook;
import org.pressboard.visit.Visit;
import org.pressboard.words.Typed;
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
    private final SiteTime time;
    private final Budget budget;
    private final IndexUpkeep indexes;
    private final LogBook log;

    DeskSettings(Catalog catalog, Publisher publisher, SiteTime time, IndexUpkeep indexes, LogBook log, Budget budget) {
        this.budget = budget;
        this.time = time;
        this.publisher = publisher;
        this.catalog = catalog;
        this.indexes = indexes;
        this.log = log;
    }

    /** For what memory is held, and how much of what may be, in whole megabytes. */
    public record Memory(Budget.Use use, long held, long most) {
    }

    private static long megabytes(long bytes) {
        return (bytes + 1024 * 1024 - 1) / 1024 / 1024;
    }

    @GetMapping("/desk/settings")
    String settings(Model model) {
        model.addAttribute("site", catalog.site());
        model.addAttribute("suggested", catalog.suggestedAddress());
        model.addAttribute("languages", Site.LANGUAGES);
        model.addAttribute("zones", time.zones());
        model.addAttribute("memory", Stream.of(Budget.Use.values()).map(use -> new Memory(use, megabytes(budget.held(use)),
                megabytes(budget.most(use)))).toList());
        model.addAttribute("memoryInAll", megabytes(budget.total()));
        model.addAttribute("now", Moments.written(Instant.now()));
        return "desk/settings";
    }

    @PostMapping("/desk/settings")
    String change(Visit visit, @RequestParam String name, @RequestParam String language,
            @RequestParam(defaultValue = "") String address,
            @RequestParam(defaultValue = "INVITED") Site.SignUp signUp, @RequestParam(defaultValue = "") String zone,
            @RequestParam(defaultValue = "") String foot, @RequestParam(defaultValue = "no") String first, Model model, RedirectAttributes flash) {
        String plainAddress = address.strip().replaceAll("/+$", "");
        String wanted = zone.isEmpty() ? catalog.site().zone().getId() : zone;
        String problem = time.zones().contains(wanted) ? problem(name, language, plainAddress) : "desk.settings.no-zone";
        if (!problem.isEmpty()) {
            model.addAttribute("problem", problem);
            return settings(model);
        }
        publisher.changeSite(new Site(name.strip(), language, plainAddress, signUp, ZoneId.of(wanted), Typed.within(foot, Site.LONGEST_FOOT)));
        time.keep();
        log.note(visit, Logged.What.SITE_CHANGED, "");
        indexes.complete();
        if (first.equals("yes")) {
            return "redirect:/desk/tables";
        }
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
