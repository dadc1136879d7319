package org.pressboard.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Suggestion;
import org.pressboard.problem.Problem;
import org.pressboard.value.Names;
import org.pressboard.words.Typed;
import org.pressboard.words.Words;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Table;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What an owner changes of a page as a whole: that there is one, what it is called, and which listings are on it. */
@Controller
class DeskDraft {

    private final Catalog catalog;
    private final Drafts drafts;
    private final MessageSource messages;

    DeskDraft(Catalog catalog, Drafts drafts, MessageSource messages) {
        this.catalog = catalog;
        this.drafts = drafts;
        this.messages = messages;
    }

    /** Makes a page with a listing of a table, and goes on to its ticket. */
    @PostMapping("/desk/pages")
    String make(@RequestParam String table, @RequestParam(defaultValue = "") String title) {
        Table of = table(table);
        String called = title.isBlank() ? of.label() : Typed.within(title, Page.LONGEST_TITLE);
        Page page = drafts.begin(of, called, field -> false);
        return "redirect:/desk/pages/" + page.key() + "/" + page.listings().getFirst().key();
    }

    /** Changes what the draft is called and says first, and the page's address at once. */
    @PostMapping("/desk/pages/{key}/names")
    String name(Visit visit, @PathVariable String key, @RequestParam String title, @RequestParam String address,
            @RequestParam(defaultValue = "") String lead, @RequestParam(defaultValue = "no") String menu,
            RedirectAttributes flash) {
        Page draft = DraftedPages.draft(catalog, key);
        String plainTitle = title.strip();
        String plainAddress = address.strip();
        Optional<Problem> problem = problem(draft, plainTitle, plainAddress);
        if (problem.isPresent()) {
            return refused(key, problem.get(), flash);
        }
        PageKey to = new PageKey(plainAddress);
        drafts.change(draft.key(), visit.author().who(), page -> page.titled(plainTitle)
                .leading(Typed.within(lead, Page.LONGEST_LEAD)).listed(menu.equals("yes")), to);
        flash.addFlashAttribute("named", true);
        return "redirect:/desk/pages/" + to;
    }

    private Optional<Problem> problem(Page draft, String title, String address) {
        if (title.isEmpty() || title.length() > Page.LONGEST_TITLE || title.indexOf('\0') >= 0) {
            return Optional.of(Problem.of("page.no-title"));
        }
        if (!PageKey.isValid(address)) {
            return Optional.of(Problem.of("page.bad-address", address.replace('\0', ' ')));
        }
        boolean taken = !draft.key().name().equals(address) && catalog.pageKeys().contains(address);
        return taken ? Optional.of(Problem.of("page.taken-address", address)) : Optional.empty();
    }

    /** Puts a listing of a table under the others, and goes on to its ticket. */
    @PostMapping("/desk/pages/{key}/listings")
    String add(Visit visit, @PathVariable String key, @RequestParam String table) {
        Page draft = DraftedPages.draft(catalog, key);
        Table of = table(table);
        Set<String> titles = draft.listings().stream().flatMap(other -> catalog.table(other.table()).stream()
                .map(each -> other.dress().titleOr(each.label()))).collect(Collectors.toSet());
        Listing suggested = Suggestion.forTable(of, catalog.freeListingKey(of.key().name().replace('_', '-')),
                field -> false);
        // what another listing of the page is called too is told apart by a title of its own
        Listing listing = titles.contains(of.label()) ? suggested.with(suggested.dress().titled(Names.unique(of.label(), " ", titles))) : suggested;
        change(visit, draft, page -> {
            List<Listing> more = new ArrayList<>(page.listings());
            more.add(listing);
            return page.with(more);
        });
        return "redirect:/desk/pages/" + key + "/" + listing.key();
    }

    private void change(Visit visit, Page draft, UnaryOperator<Page> change) {
        drafts.change(draft.key(), visit.author().who(), change);
    }

    private String refused(String key, Problem problem, RedirectAttributes flash) {
        flash.addFlashAttribute("problem", Words.ofRequest(messages)
                .say("desk." + problem.code(), problem.details().toArray()));
        return "redirect:/desk/pages/" + key;
    }

    private Table table(String key) {
        return catalog.tables().all().stream().filter(table -> table.key().name().equals(key)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.table"));
    }
}
