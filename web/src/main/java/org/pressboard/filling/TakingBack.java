package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.pressboard.editing.Undo;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Author;
import org.pressboard.sheet.Pace;
import org.pressboard.sheet.Words;
import org.pressboard.signin.SignedIn;
import org.pressboard.site.OpenListings;
import org.pressboard.site.Receipts;
import org.pressboard.table.TableKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Visitors take back what they have just done from a page. */
@Controller
class TakingBack {

    private static final Duration LONGEST = Duration.ofHours(1);

    private final OpenListings listings;
    private final Acts acts;
    private final Undo undo;
    private final Pace pace;
    private final MessageSource messages;
    private final Clock clock;
    private final OwnActs theirs;
    private final Receipts receipts;

    TakingBack(OpenListings listings, Acts acts, Undo undo, Pace pace, MessageSource messages, Clock clock,
            OwnActs theirs, Receipts receipts) {
        this.receipts = receipts;
        this.theirs = theirs;
        this.listings = listings;
        this.acts = acts;
        this.undo = undo;
        this.pace = pace;
        this.messages = messages;
        this.clock = clock;
    }

    /**
     * Only their own, and only for a while.
     *
     * @param act the number of what was done; of those who are not signed in, what they got for it
     */
    @PostMapping("/listings/{listing}/undo")
    String undo(@PathVariable String listing, @RequestParam String act, Locale language, HttpServletRequest request,
            RedirectAttributes flash) {
        pace.spend(request.getRemoteAddr(), Pace.WRITE);
        SignedIn current = SignedIn.current();
        OpenListings.Open open = listings.find(listing, SignedIn.currentVisitor(), Map.of());
        TableKey table = open.asking().listing().table();
        Optional<Act> found = (current == null ? ofBrowser(act, listing, table) : ofAccount(act, table, current))
                .filter(each -> each.at().isAfter(clock.instant().minus(LONGEST)) && !each.isUndone())
                .filter(each -> theirs.is(open.asking().table(), open.asking().visitor(), each.id()));
        boolean isDone = found.isPresent()
                && undo.undo(table, found.get().id(), SignedIn.author().from(Author.Origin.PAGE)).left() == 0;
        if (current == null) {
            return "redirect:/" + open.page().key() + "?done=" + (isDone ? "undone" : "not-undone");
        }
        flash.addFlashAttribute("said", new Words(messages, language).say(isDone ? "change.undone" : "change.not-undone"));
        return "redirect:/" + open.page().key();
    }

    private Optional<Act> ofAccount(String act, TableKey table, SignedIn current) {
        return PlainForm.whole(act).flatMap(number -> acts.find(table, ((Value.Whole) number).number()))
                .filter(each -> Long.valueOf(current.accountId()).equals(each.account()));
    }

    private Optional<Act> ofBrowser(String receipt, String listing, TableKey table) {
        return receipts.read(receipt).filter(each -> each.listing().name().equals(listing))
                .flatMap(each -> acts.find(table, each.act()));
    }
}
