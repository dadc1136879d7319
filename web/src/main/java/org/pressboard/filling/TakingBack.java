package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
import java.util.Locale;
import java.util.Set;
import org.pressboard.editing.Undo;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Author;
import org.pressboard.history.Entry;
import org.pressboard.history.RowHistory;
import org.pressboard.sheet.Pace;
import org.pressboard.sheet.Words;
import org.pressboard.signin.SignedIn;
import org.pressboard.site.OpenListings;
import org.pressboard.table.TableKey;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Members take back what they have just done from a page. */
@Controller
class TakingBack {

    private static final int MOST_ROWS = 1000;
    private static final Duration LONGEST = Duration.ofHours(1);

    private final OpenListings listings;
    private final Acts acts;
    private final Undo undo;
    private final Pace pace;
    private final MessageSource messages;
    private final Clock clock;
    private final RowHistory history;
    private final VisitorEditing editing;

    TakingBack(OpenListings listings, Acts acts, Undo undo, Pace pace, MessageSource messages, Clock clock,
            RowHistory history, VisitorEditing editing) {
        this.editing = editing;
        this.history = history;
        this.listings = listings;
        this.acts = acts;
        this.undo = undo;
        this.pace = pace;
        this.messages = messages;
        this.clock = clock;
    }

    /** Only their own, and only for a while. */
    @PostMapping("/listings/{listing}/undo")
    String undo(@PathVariable String listing, @RequestParam long act, Locale language, HttpServletRequest request,
            RedirectAttributes flash) {
        pace.spend(request.getRemoteAddr(), Pace.WRITE);
        OpenListings.Open open = listings.find(listing, SignedIn.currentVisitor(), java.util.Map.of());
        Words words = new Words(messages, language);
        SignedIn current = SignedIn.current();
        Act found = acts.find(open.asking().listing().table(), act).filter(each -> current != null
                && Long.valueOf(current.accountId()).equals(each.account())
                && each.at().isAfter(clock.instant().minus(LONGEST)) && !each.isUndone()
                && isStillTheirs(open, each)).orElse(null);
        boolean isDone = found != null
                && undo.undo(open.asking().listing().table(), found.id(), SignedIn.author().from(Author.Origin.PAGE)).left() == 0;
        flash.addFlashAttribute("said", words.say(isDone ? "change.undone" : "problem.not-granted.undo"));
        return "redirect:/" + open.page().key();
    }

    /** What others may have let through since is nobody's to take back who could not change it now. */
    private boolean isStillTheirs(OpenListings.Open open, Act act) {
        Visitor visitor = SignedIn.currentVisitor();
        TableKey table = open.asking().listing().table();
        return history.ofAct(open.asking().table(), act.id(), MOST_ROWS).stream()
                .filter(entry -> entry.verb() != Entry.Verb.REMOVED)
                .allMatch(entry -> !editing.may(visitor, entry.verb() == Entry.Verb.ADDED ? Verb.REMOVE : Verb.CHANGE, table,
                        Set.of(entry.rowId())).isEmpty());
    }
}
