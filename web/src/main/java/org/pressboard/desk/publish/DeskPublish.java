package org.pressboard.desk.publish;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.desk.table.TableFrame;
import org.pressboard.edition.Page;
import org.pressboard.grant.Openness;
import org.pressboard.log.Logged;
import org.pressboard.schema.Publisher;
import org.pressboard.signin.LogBook;
import org.pressboard.stand.DraftedPages;
import org.pressboard.table.TableKey;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Who;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Publishes pages, and takes them off the site. */
@Controller
public class DeskPublish {

    private final Catalog catalog;
    private final Publisher publisher;
    private final PublishedWords words;
    private final TableFrame frame;
    private final LogBook log;

    DeskPublish(Catalog catalog, Publisher publisher, PublishedWords words, TableFrame frame, LogBook log) {
        this.catalog = catalog;
        this.publisher = publisher;
        this.words = words;
        this.frame = frame;
        this.log = log;
    }

    /** What stands beside the button that publishes this draft. */
    public Publishing beside(Visit visit, Page draft) {
        return Publishing.of(visit.site(), draft, words);
    }

    /** Publishes the draft, with its tables as open as is said along; as they are where nothing is said. */
    @PostMapping("/desk/pages/{key}/publish")
    String publish(Visit visit, @PathVariable String key, @RequestParam Map<String, String> parameters, RedirectAttributes flash) {
        Page draft = DraftedPages.draft(catalog, key);
        String back = TableFrame.back(parameters.getOrDefault("back", ""), "/desk/pages/" + draft.key());
        Map<TableKey, Openness> open = new HashMap<>();
        for (Publishing.TableOnPage on : beside(visit, draft).tables()) {
            Optional<Openness> chosen = openness(parameters.getOrDefault("see." + on.table().key(), on.chosen()));
            if (chosen.isEmpty()) {
                flash.addFlashAttribute("problem", frame.words().say("desk.publish.choose", on.table().label()));
                return back;
            }
            open.put(on.table().key(), chosen.get());
        }
        Who by = visit.who();
        int number = publisher.publish(draft.key(), open, by == null ? null : by.accountId()).number();
        log.note(visit, Logged.What.PUBLISHED, "/" + key + ", edition " + number);
        flash.addFlashAttribute("published", frame.words().say("desk.published", number));
        flash.addFlashAttribute("publishedFor", words.of(draft));
        return back;
    }

    private static Optional<Openness> openness(String name) {
        return Stream.of(Openness.values()).filter(each -> each.name().equals(name)).findFirst();
    }

    @PostMapping("/desk/pages/{key}/withdraw")
    String withdraw(Visit visit, @PathVariable String key, RedirectAttributes flash) {
        catalog.withdraw(DraftedPages.draft(catalog, key).key());
        log.note(visit, Logged.What.WITHDRAWN, "/" + key);
        flash.addFlashAttribute("withdrawn", true);
        return "redirect:/desk/pages/" + key;
    }
}
