package org.pressboard.desk;

import java.util.Objects;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.desk.publish.Audiences;
import org.pressboard.edition.Access;
import org.pressboard.edition.Page;
import org.pressboard.stand.DraftedPages;
import org.pressboard.visit.Visit;
import org.pressboard.words.Typed;
import org.pressboard.words.Words;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Who gets to a page and to the listings on it, and what others get instead; part of the draft. */
@Controller
class DeskAccess {

    private final Catalog catalog;
    private final Drafts drafts;
    private final MessageSource messages;

    DeskAccess(Catalog catalog, Drafts drafts, MessageSource messages) {
        this.messages = messages;
        this.catalog = catalog;
        this.drafts = drafts;
    }

    @PostMapping("/desk/pages/{key}/access")
    String change(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters,
            RedirectAttributes flash) {
        Page draft = DraftedPages.draft(catalog, key);
        Words words = Words.ofRequest(messages);
        Audiences audiences = new Audiences(catalog.groups(), words);
        Access.Otherwise otherwise = Stream.of(Access.Otherwise.values())
                .filter(each -> each.name().equals(parameters.getFirst("otherwise"))).findFirst()
                .orElse(Access.Otherwise.NOT_THERE);
        String message = Objects.requireNonNullElse(parameters.getFirst("message"), "");
        Access access = new Access(audiences.read(parameters.get("who")), otherwise,
                Typed.within(message, Access.LONGEST_MESSAGE));
        drafts.change(draft.key(), visit.author().who(), page -> page.letting(access));
        flash.addFlashAttribute("said", said(visit, draft, audiences.said(access.audiences()), words));
        return "redirect:/desk/pages/" + key;
    }

    /** Whom the page is for, and from when on. */
    private static String said(Visit visit, Page draft, String who, Words words) {
        String when = visit.site().edition(draft.key()).isPresent() ? "yet" : "first";
        return who.isEmpty() ? words.say("desk.access.open." + when) : words.say("desk.access.only." + when, who);
    }
}
