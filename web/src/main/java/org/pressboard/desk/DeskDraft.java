package org.pressboard.desk;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Suggestion;
import org.pressboard.problem.Problem;
import org.pressboard.schema.Publisher;
import org.pressboard.sheet.NotThere;
import org.pressboard.sheet.Words;
import org.pressboard.table.Field;
import org.pressboard.value.FieldKey;
import org.pressboard.table.Fields;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What an owner changes of a draft: its names, and which fields its listings show. */
@Controller
class DeskDraft {

    private static final int MOST_OF_A_TITLE = 100;

    private final Catalog catalog;
    private final Publisher publisher;
    private final MessageSource messages;

    DeskDraft(Catalog catalog, Publisher publisher, MessageSource messages) {
        this.catalog = catalog;
        this.publisher = publisher;
        this.messages = messages;
    }

    /** Changes the page's title, of the draft, and its address, at once. */
    @PostMapping("/desk/pages/{key}/names")
    String name(@PathVariable String key, @RequestParam String title, @RequestParam String address,
            RedirectAttributes flash) {
        Page draft = find(key);
        String plainTitle = title.strip();
        String plainAddress = address.strip();
        Optional<Problem> problem = problem(draft, plainTitle, plainAddress);
        if (problem.isPresent()) {
            flash.addFlashAttribute("problem", new Words(messages, Locale.UK)
                    .say("desk." + problem.get().code(), problem.get().details().toArray()));
            return "redirect:/desk/pages/" + key;
        }
        PageKey to = new PageKey(plainAddress);
        publisher.name(draft.key(), plainTitle, to);
        flash.addFlashAttribute("named", true);
        return "redirect:/desk/pages/" + to;
    }

    private Optional<Problem> problem(Page draft, String title, String address) {
        if (title.isEmpty() || title.length() > MOST_OF_A_TITLE || title.indexOf('\0') >= 0) {
            return Optional.of(Problem.of("page.no-title"));
        }
        if (!PageKey.isValid(address)) {
            return Optional.of(Problem.of("page.bad-address", address.replace('\0', ' ')));
        }
        boolean taken = !draft.key().name().equals(address) && catalog.pageKeys().contains(address);
        return taken ? Optional.of(Problem.of("page.taken-address", address)) : Optional.empty();
    }

    /** Changes which fields a listing of the draft shows; their order stays, those shown anew come behind. */
    @PostMapping("/desk/pages/{key}/{listing}/show")
    String show(@PathVariable String key, @PathVariable String listing, @RequestParam(defaultValue = "") Set<String> show,
            RedirectAttributes flash) {
        Page draft = find(key);
        List<Listing> changed = draft.listings().stream()
                .map(each -> each.key().name().equals(listing) ? showing(each, show) : each).toList();
        if (changed.stream().anyMatch(each -> each.show().isEmpty())) {
            flash.addFlashAttribute("problem", new Words(messages, Locale.UK).say("desk.show.nothing"));
        } else {
            catalog.changeDraft(draft.with(changed));
        }
        return "redirect:/desk/pages/" + key;
    }

    private Listing showing(Listing listing, Set<String> show) {
        Fields fields = catalog.table(listing.table()).orElseThrow().fields();
        List<FieldKey> shown = Stream.concat(listing.show().stream(), fields.stream().map(Field::key)).distinct()
                .filter(field -> show.contains(field.name())).toList();
        return listing.showing(shown, Suggestion.searchable(fields, shown), Suggestion.narrowable(fields, shown));
    }

    private Page find(String key) {
        return Optional.of(key).filter(PageKey::isValid).map(PageKey::new).flatMap(catalog::page)
                .orElseThrow(() -> new NotThere("not-there.page")).draft();
    }
}
