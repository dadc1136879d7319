package org.pressboard.desk;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.editing.RowEditing;
import org.pressboard.member.People;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.signin.PersonRules;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.pressboard.visit.Visit;
import org.pressboard.words.Words;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Where the members come from: a table made for them, one that is there, one that is joined to theirs, or by hand. */
@Controller
class DeskPeople {

    private static final String BACK = "redirect:/desk/members";

    private final Catalog catalog;
    private final People people;
    private final RowEditing editing;
    private final Accounts accounts;
    private final Inviting inviting;
    private final MessageSource messages;

    DeskPeople(Catalog catalog, People people, RowEditing editing, Accounts accounts, Inviting inviting,
            MessageSource messages) {
        this.catalog = catalog;
        this.people = people;
        this.editing = editing;
        this.accounts = accounts;
        this.inviting = inviting;
        this.messages = messages;
    }

    /** Makes a table for them, where there is none. */
    @PostMapping("/desk/members/people/new")
    String make(Visit visit, RedirectAttributes flash) {
        if (catalog.tables().people().isEmpty()) {
            Table made = people.make(say("members.table"), say("desk.field.first"), say("desk.field.email"), visit.author());
            flash.addFlashAttribute("said", say("members.made", made.label()));
        }
        return BACK;
    }

    /** Has the members be in a table that is there. */
    @PostMapping("/desk/members/people")
    String become(Visit visit, @RequestParam String table, RedirectAttributes flash) {
        People.Candidate candidate = find(table);
        return trying(flash, () -> {
            people.become(candidate, visit.author());
            flash.addFlashAttribute("said", say("members.become", candidate.table().label(), candidate.email().label()));
        });
    }

    /** Makes members of the people of another table. */
    @PostMapping("/desk/members/people/join")
    String join(Visit visit, @RequestParam String table, RedirectAttributes flash) {
        People.Candidate candidate = find(table);
        return trying(flash, () -> {
            People.Joined joined = people.join(candidate, visit.author());
            flash.addFlashAttribute("said", say("members.joined", joined.added(), joined.there(), joined.without(), joined.refused(),
                    joined.isMore() ? 1 : 0));
            if (joined.refused() > 0) {
                flash.addFlashAttribute("problem", joined.reasons().stream().map(words()::say).collect(Collectors.joining(" ")));
            }
        });
    }

    /** Adds a member by name and address, and writes to them where that is wanted. */
    @PostMapping("/desk/members/add")
    String add(Visit visit, @RequestParam String name, @RequestParam String email, @RequestParam(defaultValue = "no") String invite,
            RedirectAttributes flash) {
        Table table = catalog.tables().people().map(catalog.tables()::get).orElseThrow(() -> new NotThere("not-there.table"));
        String address = email.strip();
        return trying(flash, () -> {
            if (!PersonRules.ofEmail(address).isEmpty()) {
                throw ProblemsFound.of("members.no-email", address);
            }
            Map<FieldKey, Value> values = new HashMap<>();
            table.headingField().filter(field -> field.isEntered() && field.type().read(name.strip()).isPresent() && !name.isBlank())
                    .ifPresent(field -> field.type().read(name.strip()).ifPresent(value -> values.put(field.key(), value)));
            values.put(Objects.requireNonNull(table.people()), Value.of(address));
            if (editing.add(table.key(), values, visit.author()).outcome() instanceof RowEditing.Outcome.Refused(Map<FieldKey, Problem> against)) {
                throw new ProblemsFound(RowEditing.named(table, against));
            }
            flash.addFlashAttribute("said", invite.equals("yes") ? invited(visit, name.strip(), address) : say("members.added", address));
        });
    }

    private String invited(Visit visit, String name, String email) {
        if (accounts.find(email).isPresent()) {
            return say("members.added.account", email);
        }
        inviting.invite(visit, email, name, Account.Role.MEMBER);
        return say("members.added.invited", email);
    }

    private String trying(RedirectAttributes flash, Runnable work) {
        try {
            work.run();
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", words().say(against.problems().all().getFirst()));
        }
        return BACK;
    }

    private People.Candidate find(String table) {
        return people.candidates(catalog.tables()).stream().filter(each -> each.table().key().name().equals(table)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.table"));
    }

    private String say(String code, Object... details) {
        return words().say(code, details);
    }

    private Words words() {
        return Words.ofRequest(messages);
    }
}
