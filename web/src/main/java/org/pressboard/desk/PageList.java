package org.pressboard.desk;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.catalog.PageBin;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.log.Logged;
import org.pressboard.words.Words;
import org.pressboard.signin.LogBook;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.NotThere;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The tab that lists the pages: their order, which is that of the menu, and their bin. */
@Controller
class PageList {

    private final Catalog catalog;
    private final PageBin bin;
    private final LogBook log;
    private final MessageSource messages;

    PageList(Catalog catalog, PageBin bin, LogBook log, MessageSource messages) {
        this.catalog = catalog;
        this.bin = bin;
        this.log = log;
        this.messages = messages;
    }

    @GetMapping("/desk/pages")
    String pages(Model model) {
        model.addAttribute("pages", catalog.pages().values());
        model.addAttribute("tables", catalog.tables().all());
        model.addAttribute("binned", bin.pages().entrySet().stream()
                .map(removed -> Binned.of(removed.getKey(), removed.getValue(), Words.ofRequest(messages))).toList());
        return "desk/pages";
    }

    /** Moves the page before the one before it, or behind the one behind it. */
    @PostMapping("/desk/pages/{key}/place")
    String place(@PathVariable String key, @RequestParam String way) {
        List<PageKey> order = new ArrayList<>(catalog.drafts().stream().map(Page::key).toList());
        int at = order.indexOf(DraftedPages.draft(catalog, key).key());
        int to = way.equals("up") ? at - 1 : at + 1;
        if (to >= 0 && to < order.size()) {
            Collections.swap(order, at, to);
            catalog.order(order);
        }
        return "redirect:/desk/pages";
    }

    /** Puts the page into the bin; one that visitors get is taken off the site first, which is the owner's to do. */
    @PostMapping("/desk/pages/{key}/remove")
    String remove(Visit visit, @PathVariable String key, RedirectAttributes flash) {
        DraftedPage page = DraftedPages.find(catalog, key);
        if (page.isPublished()) {
            flash.addFlashAttribute("problem", Words.ofRequest(messages).say("desk.page.still-published"));
            return "redirect:/desk/pages/" + key;
        }
        bin.put(page.draft().key());
        log.note(visit, Logged.What.PAGE_REMOVED, "/" + key);
        flash.addFlashAttribute("removed", page.draft().title());
        return "redirect:/desk/pages";
    }

    @PostMapping("/desk/pages/{key}/put-back")
    String putBack(@PathVariable String key) {
        PageKey found = bin.pages().keySet().stream().map(page -> page.draft().key())
                .filter(page -> page.name().equals(key)).findFirst().orElseThrow(() -> new NotThere("not-there.page"));
        bin.putBack(found);
        return "redirect:/desk/pages/" + found;
    }
}
