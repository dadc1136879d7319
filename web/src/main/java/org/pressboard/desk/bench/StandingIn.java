package org.pressboard.desk.bench;

import jakarta.servlet.http.HttpSession;
import java.util.Objects;
import org.pressboard.catalog.Catalog;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Visitor;
import org.pressboard.log.Logged;
import org.pressboard.signin.LogBook;
import org.pressboard.signin.StandIn;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.SeenBy;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** From a proof, where nothing is written, to the page itself as the same member, where everything is. */
@Controller
class StandingIn {

    private final Catalog catalog;
    private final SeenBy seenBy;
    private final StandIn standIn;
    private final BenchWords benchWords;
    private final LogBook log;

    StandingIn(Catalog catalog, SeenBy seenBy, StandIn standIn, BenchWords benchWords, LogBook log) {
        this.benchWords = benchWords;
        this.catalog = catalog;
        this.seenBy = seenBy;
        this.standIn = standIn;
        this.log = log;
    }

    /** @param who a member, by their name or address */
    @PostMapping("/desk/stand-in")
    String begin(Visit visit, @RequestParam String who, @RequestParam String page, HttpSession session, RedirectAttributes flash) {
        PageKey tried = DraftedPages.draft(catalog, page).key();
        Visitor member = seenBy.find(visit, who).filter(found -> found.kind() == Visitor.Kind.MEMBER && found.email() != null)
                .orElseThrow(() -> new NotThere("not-there.person"));
        String email = Objects.requireNonNull(member.email());
        if (standIn.isOfStaff(email)) {
            flash.addFlashAttribute("problem", benchWords.desk().say("desk.stand-in.staff", email));
            return "redirect:/desk/pages/" + tried;
        }
        standIn.begin(session, email, tried);
        log.note(visit, Logged.What.STOOD_IN, email);
        return "redirect:/" + tried;
    }

    @PostMapping("/desk/stand-in/end")
    String end(HttpSession session) {
        standIn.end(session);
        return "redirect:/desk/pages";
    }
}
