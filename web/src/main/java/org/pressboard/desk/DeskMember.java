package org.pressboard.desk;

import java.util.List;
import java.util.Locale;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.member.Members;
import org.pressboard.rows.Rows;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.signin.PersonRules;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Table;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** One member at the desk: their groups, what they may do, and their account. */
@Controller
class DeskMember {

    private final Catalog catalog;
    private final Members members;
    private final Rows rows;
    private final Accounts accounts;
    private final Inviting inviting;
    private final MessageSource messages;

    DeskMember(Catalog catalog, Members members, Rows rows, Accounts accounts, Inviting inviting, MessageSource messages) {
        this.catalog = catalog;
        this.members = members;
        this.rows = rows;
        this.accounts = accounts;
        this.inviting = inviting;
        this.messages = messages;
    }

    /** What somebody may do with the rows of a table, in words, verb by verb. */
    public record May(Table table, List<String> verbs) {
    }

    /** A member: their groups, and what they may do, table by table. */
    @GetMapping("/desk/members/{row:\\d{1,18}}")
    String member(Visit visit, @PathVariable RowId row, Model model) {
        PublishedSite site = catalog.publishedNow();
        Table people = DeskMembers.people(site);
        Visitor visitor = members.visitor(row).orElseThrow(() -> new NotThere("not-there.row"));
        model.addAttribute("people", people);
        model.addAttribute("row", row);
        model.addAttribute("visitor", visitor);
        model.addAttribute("account", accounts.find(String.valueOf(visitor.email())).orElse(null));
        model.addAttribute("groups", site.groups().stream().filter(group -> visitor.groups().contains(group.key())).toList());
        model.addAttribute("may", site.tables().all().stream().map(table -> may(visit, site, table, visitor)).toList());
        return "desk/member";
    }

    /** Writes to a member who has no account. */
    @PostMapping("/desk/members/{row:\\d{1,18}}/invite")
    String invite(Visit visit, @PathVariable RowId row, RedirectAttributes flash) {
        Visitor visitor = members.visitor(row).orElseThrow(() -> new NotThere("not-there.row"));
        String email = String.valueOf(visitor.email());
        if (accounts.find(email).isPresent() || !PersonRules.ofEmail(email).isEmpty()) {
            flash.addFlashAttribute("problem", words().say("staff.no-invitation", email));
        } else {
            inviting.invite(visit, email, String.valueOf(visitor.who().name()), Account.Role.MEMBER);
            flash.addFlashAttribute("said", words().say("staff.invited", email));
        }
        return "redirect:/desk/members/" + row;
    }

    private May may(Visit visit, PublishedSite site, Table table, Visitor visitor) {
        return new May(table, Verb.of(false).stream().map(verb -> {
            Decision decision = site.may(visitor, verb, table.key());
            if (!decision.isAllowed() || verb == Verb.ADD) {
                return words().say(decision.isAllowed() ? "may.yes" : "may.no");
            }
            Sight sight = Sight.whole(site.tables(), table.key());
            return words().count(rows.count(RowQuery.counting(sight, visit.seenBy(visitor).standpoint(),
                    decision.rows()), Locale.UK));
        }).toList());
    }

    private Words words() {
        return Words.ofRequest(messages);
    }
}
