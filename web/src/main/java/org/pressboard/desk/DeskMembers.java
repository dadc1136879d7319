package org.pressboard.desk;


import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.EntryLinks;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.log.Logged;
import org.pressboard.member.Joining;
import org.pressboard.member.Members;
import org.pressboard.rows.RowPicker;
import org.pressboard.rows.Rows;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.signin.EntryMail;
import org.pressboard.signin.LogBook;
import org.pressboard.signin.PersonRules;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The tab with the members: what groups there are of them, and what each may do. */
@Controller
class DeskMembers {

    private final Catalog catalog;
    private final Members members;
    private final GroupLines groups;
    private final RowPicker picker;
    private final Rows rows;
    private final Accounts accounts;
    private final EntryMail mail;
    private final EntryLinks links;
    private final Joining joining;
    private final LogBook log;
    private final TransactionTemplate transaction;
    private final MessageSource messages;

    DeskMembers(Catalog catalog, Members members, GroupLines groups, RowPicker picker, Rows rows, Accounts accounts, EntryMail mail,
            EntryLinks links, Joining joining, LogBook log, PlatformTransactionManager transactions, MessageSource messages) {
        this.catalog = catalog;
        this.members = members;
        this.groups = groups;
        this.picker = picker;
        this.rows = rows;
        this.accounts = accounts;
        this.mail = mail;
        this.links = links;
        this.joining = joining;
        this.log = log;
        this.transaction = new TransactionTemplate(transactions);
        this.messages = messages;
    }

    /** Somebody, by the number of their row. */
    public record Person(RowId row, String name) {
    }

    /** What somebody may do with the rows of a table, in words, verb by verb. */
    public record May(Table table, List<String> verbs) {
    }

    @GetMapping("/desk/members")
    String members(@RequestParam(defaultValue = "") String called, Model model) {
        PublishedSite site = catalog.publishedNow();
        Table people = people(site);
        model.addAttribute("people", people);
        model.addAttribute("called", called);
        model.addAttribute("invitations", DeskStaff.invitations(links, false));
        if (people != null) {
            Joining.Required required = joining.required();
            model.addAttribute("asked", labels(required.asked()));
            model.addAttribute("never", labels(required.never()));
            model.addAttribute("groups", site.groups().stream().map(group -> groups.line(site, people, group)).toList());
            model.addAttribute("found", called.isBlank() ? List.of() : found(site, people, called));
            model.addAttribute("count", words().count(rows.countToEnd(GroupLines.query(site, people, Condition.ALWAYS), Locale.UK)));
        }
        return "desk/members";
    }

    private static String labels(List<Field> fields) {
        return fields.stream().map(Field::label).collect(Collectors.joining(", "));
    }

    /** What members are called, for those who type a name. */
    @GetMapping("/desk/members/called")
    String called(@RequestParam(defaultValue = "") String called, Model model) {
        PublishedSite site = catalog.publishedNow();
        Table people = people(site);
        model.addAttribute("found", people == null ? List.of()
                : found(site, people, called).stream().map(Person::name).toList());
        return "site/controls :: found";
    }

    private List<Person> found(PublishedSite site, Table people, String called) {
        return picker.find(site.tables(), people, called, site.site().language()).stream()
                .map(row -> new Person(row.row(), row.heading())).toList();
    }

    /** A member: their groups, and what they may do, table by table. */
    @GetMapping("/desk/members/{row:\\d{1,18}}")
    String member(Visit visit, @PathVariable RowId row, Model model) {
        PublishedSite site = catalog.publishedNow();
        Table people = people(site);
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
            transaction.executeWithoutResult(status ->
                    mail.invite(email, String.valueOf(visitor.who().name()), Account.Role.MEMBER));
            log.note(visit, Logged.What.INVITED, email);
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

    private static @Nullable Table people(PublishedSite site) {
        return site.tables().people().map(site.tables()::get).orElse(null);
    }

    private Words words() {
        return new Words(messages, Locale.UK);
    }
}
