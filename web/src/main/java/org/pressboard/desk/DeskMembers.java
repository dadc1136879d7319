package org.pressboard.desk;

import static org.pressboard.desk.condition.ConditionDesk.first;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.EntryLinks;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.log.Logged;
import org.pressboard.member.Joining;
import org.pressboard.member.Members;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.RowPicker;
import org.pressboard.rows.Rows;
import org.pressboard.schema.Publisher;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;
import org.pressboard.signin.EntryMail;
import org.pressboard.signin.LogBook;
import org.pressboard.signin.PersonRules;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Operands;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The tab with the members: groups of them, and what each may do. */
@Controller
class DeskMembers {

    private static final int MOST_BY_HAND = 500;
    private static final String GROUP = "/desk/members/groups/{key}";

    private final Catalog catalog;
    private final Members members;
    private final Publisher publisher;
    private final ConditionDesk conditions;
    private final RowPicker picker;
    private final Rows rows;
    private final Accounts accounts;
    private final EntryMail mail;
    private final EntryLinks links;
    private final Joining joining;
    private final LogBook log;
    private final TransactionTemplate transaction;
    private final MessageSource messages;
    private final Clock clock;

    DeskMembers(Catalog catalog, Members members, Publisher publisher, ConditionDesk conditions, RowPicker picker,
            Rows rows, Accounts accounts, EntryMail mail, EntryLinks links, Joining joining, LogBook log,
            PlatformTransactionManager transactions, MessageSource messages, Clock clock) {
        this.catalog = catalog;
        this.members = members;
        this.publisher = publisher;
        this.conditions = conditions;
        this.picker = picker;
        this.rows = rows;
        this.accounts = accounts;
        this.mail = mail;
        this.links = links;
        this.joining = joining;
        this.log = log;
        this.transaction = new TransactionTemplate(transactions);
        this.messages = messages;
        this.clock = clock;
    }

    /** A group, who is in it in words, and how many that are right now. */
    public record GroupLine(Group group, String said, String count) {
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
            model.addAttribute("groups", site.groups().stream().map(group -> line(site, people, group)).toList());
            model.addAttribute("found", called.isBlank() ? List.of() : found(site, people, called));
            model.addAttribute("count", words().count(rows.countToEnd(query(site, people, Condition.ALWAYS), Locale.UK)));
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

    private GroupLine line(PublishedSite site, Table people, Group group) {
        Group now = group.of(site.tables(), people);
        List<String> said = new ArrayList<>();
        List<String> counts = new ArrayList<>();
        if (!now.rows().equals(Condition.NEVER)) {
            said.add(words().say("groups.where", conditions.words(site.tables(), people).of(now.rows())));
            counts.add(now.rows().dependsOnStandpoint() ? words().say("groups.by-day")
                    : words().count(rows.count(query(site, people, now.rows()), Locale.UK)));
        }
        if (!now.byHand().isEmpty() || said.isEmpty()) {
            said.add(words().say("groups.by-hand", now.byHand().size()));
            counts.add(words().count(now.byHand().size()));
        }
        return new GroupLine(now, String.join(", ", said), String.join(" + ", counts));
    }

    private static RowQuery query(PublishedSite site, Table people, Condition which) {
        Sight sight = Sight.whole(site.tables(), people.key());
        return RowQuery.counting(sight, Standpoint.NOBODY, which);
    }

    @PostMapping("/desk/members/groups")
    String make(@RequestParam(defaultValue = "") String label, RedirectAttributes flash) {
        String name = label.strip();
        if (!Group.isLabel(name)) {
            flash.addFlashAttribute("problem", words().say("groups.no-label"));
            return "redirect:/desk/members";
        }
        Set<String> taken = catalog.groups().stream().map(group -> group.key().name()).collect(Collectors.toSet());
        Group group = new Group(GroupKey.from(name, taken), name, Condition.NEVER, Set.of());
        publisher.keepGroup(group);
        return "redirect:/desk/members/groups/" + group.key();
    }

    @GetMapping(GROUP)
    String group(@PathVariable String key, Model model) {
        show(key, model);
        return "desk/group";
    }

    private void show(String key, Model model) {
        PublishedSite site = catalog.publishedNow();
        Table people = people(site);
        if (people == null) {
            throw new NotThere("not-there.page");
        }
        Group group = find(key).of(site.tables(), people);
        model.addAttribute("people", people);
        model.addAttribute("group", group);
        model.addAttribute("line", line(site, people, group));
        model.addAttribute("statements", conditions.statements(ConditionDesk.said(group.rows()), operands(site.tables(), people), model));
        model.addAttribute("hands", group.byHand().stream().sorted()
                .map(row -> new Person(row, picker.heading(site.tables(), people, row))).toList());
        model.addAttribute("words", words());
    }

    private static Operands operands(Tables tables, Table people) {
        return new Operands(tables, people, Operands.Place.GRANT);
    }

    /** Changes who is in the group. */
    @PostMapping(GROUP + "/change")
    String change(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters,
            @RequestHeader(name = "HX-Request", defaultValue = "") String asked, Model model) {
        Group group = find(key);
        try {
            publisher.keepGroup(changed(group, parameters, model));
            if (!model.containsAttribute("problem")) {
                log.note(visit, Logged.What.GROUP_CHANGED, group.label());
            }
        } catch (ProblemsFound against) {
            model.addAttribute("problem", words().say(against.problems().all().getFirst()));
        }
        if (asked.isEmpty()) {
            return "redirect:/desk/members/groups/" + key;
        }
        show(key, model);
        return "desk/group :: group";
    }

    private Group changed(Group group, MultiValueMap<String, String> parameters, Model model) {
        Set<RowId> hands = new TreeSet<>(group.byHand());
        Set<RowId> sent = parameters.getOrDefault("value", List.of()).stream()
                .flatMap(text -> RowId.read(text).stream()).collect(Collectors.toSet());
        switch (first(parameters, "do")) {
            case "label" -> {
                String label = first(parameters, "label").strip();
                if (!Group.isLabel(label)) {
                    throw ProblemsFound.of("groups.no-label");
                }
                return group.labelled(label);
            }
            case "hands" -> hands.addAll(sent);
            case "out" -> hands.removeAll(sent);
            default -> {
                Tables tables = catalog.publishedNow().tables();
                Table people = tables.people().map(tables::get).orElseThrow();
                return group.meeting(conditions.changedOrNobody(group.rows(), operands(tables, askable(people)), parameters, model));
            }
        }
        if (hands.size() > MOST_BY_HAND) {
            throw ProblemsFound.of("groups.many-hands", MOST_BY_HAND);
        }
        return group.with(hands);
    }

    /** The inputs of a statement that is yet to be added. */
    @GetMapping(GROUP + "/statement")
    String statement(@PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Tables tables = catalog.publishedNow().tables();
        Table people = tables.people().map(tables::get).orElseThrow(() -> new NotThere("not-there.page"));
        return ConditionDesk.template(conditions.begin(ConditionDesk.said(find(key).rows()), operands(tables, askable(people)), parameters,
                "/desk/members/groups/" + key, model));
    }

    @PostMapping(GROUP + "/remove")
    String remove(Visit visit, @PathVariable String key, RedirectAttributes flash) {
        Group group = find(key);
        publisher.removeGroup(group.key());
        log.note(visit, Logged.What.GROUP_CHANGED, group.label());
        flash.addFlashAttribute("said", words().say("groups.removed", group.label()));
        return "redirect:/desk/members";
    }

    /** A member: their groups, and what they may do, table by table. */
    @GetMapping("/desk/members/{row:\\d{1,18}}")
    String member(@PathVariable RowId row, Model model) {
        PublishedSite site = catalog.publishedNow();
        Table people = people(site);
        Visitor visitor = members.visitor(row).orElseThrow(() -> new NotThere("not-there.row"));
        model.addAttribute("people", people);
        model.addAttribute("row", row);
        model.addAttribute("visitor", visitor);
        model.addAttribute("account", accounts.find(String.valueOf(visitor.email())).orElse(null));
        model.addAttribute("groups", site.groups().stream().filter(group -> visitor.groups().contains(group.key())).toList());
        model.addAttribute("may", site.tables().all().stream().map(table -> may(site, table, visitor)).toList());
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

    private May may(PublishedSite site, Table table, Visitor visitor) {
        return new May(table, Verb.of(false).stream().map(verb -> {
            Decision decision = site.may(visitor, verb, table.key());
            if (!decision.isAllowed() || verb == Verb.ADD) {
                return words().say(decision.isAllowed() ? "may.yes" : "may.no");
            }
            Sight sight = Sight.whole(site.tables(), table.key());
            return words().count(rows.count(RowQuery.counting(sight, visitor.at(LocalDateTime.now(clock)),
                    decision.rows()), Locale.UK));
        }).toList());
    }

    /** What a row alone can be asked. */
    private static Table askable(Table table) {
        return table.with(new Fields(table.columns().stream().filter(field -> !(field.type() instanceof Attached)
                && !(field.type() instanceof Referring)).toList()));
    }

    private Group find(String key) {
        return catalog.groups().stream().filter(group -> group.key().name().equals(key)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.page"));
    }

    private static @Nullable Table people(PublishedSite site) {
        return site.tables().people().map(site.tables()::get).orElse(null);
    }

    private Words words() {
        return new Words(messages, Locale.UK);
    }
}
