package org.pressboard.desk.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.catalog.Drafts;
import org.pressboard.edition.Differences;
import org.pressboard.edition.Edition;
import org.pressboard.log.Logged;
import org.pressboard.schema.Publisher;
import org.pressboard.words.Moments;
import org.pressboard.words.Words;
import org.pressboard.signin.LogBook;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Tables;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The editions of a page: in what each differs from the one before it, put back where wanted. */
@Controller
class Editions {

    private final Catalog catalog;
    private final Publisher publisher;
    private final Drafts drafts;
    private final BenchWords benchWords;
    private final LogBook log;

    Editions(Catalog catalog, Publisher publisher, Drafts drafts, BenchWords benchWords, LogBook log) {
        this.log = log;
        this.catalog = catalog;
        this.publisher = publisher;
        this.drafts = drafts;
        this.benchWords = benchWords;
    }

    /** An edition as it is told: when it was published, and what changed with it. */
    public record EditionLine(int number, String when, String changed, boolean shown) {
    }

    @GetMapping("/desk/editions/{key}")
    String editions(@PathVariable String key, Model model) {
        DraftedPage page = DraftedPages.find(catalog, key);
        Tables tables = catalog.tables();
        Words words = benchWords.desk();
        DifferenceWords differences = benchWords.differences(tables);
        List<EditionLine> lines = new ArrayList<>();
        for (Edition edition : page.editions()) {
            String changed = page.edition(edition.follows()).map(had -> differences.of(
                    Differences.between(had.page(), edition.page(), tables))).orElse(words.say("edition.first"));
            lines.add(new EditionLine(edition.number(), Moments.written(edition.publishedAt()),
                    against(edition, changed.isEmpty() ? words.say("edition.same") : changed, words),
                    Objects.equals(page.shown(), edition.number())));
        }
        model.addAttribute("page", page);
        model.addAttribute("editions", lines);
        model.addAttribute("draft", page.given().or(() -> page.editions().stream().map(Edition::page).findFirst())
                .map(had -> differences.of(Differences.between(had, page.draft(), tables))).orElse(""));
        return "desk/bench/editions";
    }

    /** Where an earlier edition had been put back before, what changed is against that one. */
    private static String against(Edition edition, String changed, Words words) {
        return edition.follows() == edition.number() - 1 ? changed : words.say("edition.against", edition.follows(), changed);
    }

    /** Visitors get that edition again. */
    @PostMapping("/desk/editions/{key}/{number:\\d{1,9}}/put-back")
    String putBack(Visit visit, @PathVariable String key, @PathVariable int number, RedirectAttributes flash) {
        DraftedPage page = DraftedPages.find(catalog, key);
        publisher.putBack(page.draft().key(), edition(page, number).number());
        log.note(visit, Logged.What.PUT_BACK, "/" + key + ", edition " + number);
        flash.addFlashAttribute("putBack", number);
        return "redirect:/desk/editions/" + key;
    }

    /** The draft becomes what that edition is; a step like others. */
    @PostMapping("/desk/editions/{key}/{number:\\d{1,9}}/draft")
    String draft(Visit visit, @PathVariable String key, @PathVariable int number, RedirectAttributes flash) {
        DraftedPage page = DraftedPages.find(catalog, key);
        Edition edition = edition(page, number);
        drafts.change(page.draft().key(), visit.author().who(), now -> edition.page().at(now.key()));
        flash.addFlashAttribute("drafted", number);
        return "redirect:/desk/editions/" + key;
    }

    private static Edition edition(DraftedPage page, int number) {
        return page.edition(number).orElseThrow(() -> new NotThere("not-there.page"));
    }
}
