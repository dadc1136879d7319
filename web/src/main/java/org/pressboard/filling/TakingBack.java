package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import org.pressboard.undo.Undo;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Author;
import org.pressboard.pace.Pace;
import org.pressboard.words.Words;
import org.pressboard.site.Receipts;
import org.pressboard.stand.Asking;
import org.pressboard.stand.Stands;
import org.pressboard.table.TableKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Who;
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

    private final Stands stands;
    private final Acts acts;
    private final Undo undo;
    private final Pace pace;
    private final MessageSource messages;
    private final Clock clock;
    private final OwnActs theirs;
    private final Receipts receipts;

    TakingBack(Stands stands, Acts acts, Undo undo, Pace pace, MessageSource messages, Clock clock,
            OwnActs theirs, Receipts receipts) {
        this.receipts = receipts;
        this.theirs = theirs;
        this.stands = stands;
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
    String undo(Visit visit, @PathVariable String listing, @RequestParam String act, HttpServletRequest request,
            RedirectAttributes flash) {
        pace.spend(visit.address(), Pace.WRITE);
        Asking asking = stands.find(visit, request, Map.of());
        TableKey table = asking.listing().table();
        Who who = visit.who();
        Optional<Act> found = (who == null ? ofBrowser(act, listing, table, request) : ofAccount(act, table, who))
                .filter(each -> each.at().isAfter(clock.instant().minus(LONGEST)) && !each.isUndone())
                .filter(each -> theirs.is(asking.table(), asking.visitor(), each.id()));
        boolean isDone = found.isPresent()
                && undo.undo(table, found.get().id(), visit.author(Author.Origin.PAGE)).left() == 0;
        String page = "redirect:" + asking.addresses().page();
        if (who == null) {
            return page + "?done=" + (isDone ? "undone" : "not-undone");
        }
        flash.addFlashAttribute("said", new Words(messages, visit.language()).say(isDone ? "change.undone" : "change.not-undone"));
        return page;
    }

    private Optional<Act> ofAccount(String act, TableKey table, Who who) {
        return PlainForm.whole(act).flatMap(number -> acts.find(table, ((Value.Whole) number).number()))
                .filter(each -> Long.valueOf(who.accountId()).equals(each.account()));
    }

    private Optional<Act> ofBrowser(String receipt, String listing, TableKey table, HttpServletRequest request) {
        return receipts.read(receipt, request).filter(each -> each.listing().name().equals(listing))
                .flatMap(each -> acts.find(table, each.act()));
    }
}
