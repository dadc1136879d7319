package org.pressboard.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.EntryLinks;
import org.pressboard.log.Logged;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.words.Moments;
import org.pressboard.words.Words;
import org.pressboard.signin.LogBook;
import org.pressboard.signin.PersonRules;
import org.pressboard.stand.NotThere;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Those who work at the desk, and the accounts of members. */
@Controller
class DeskStaff {

    private static final String AT = "/desk/members/staff";
    private static final List<Account.Role> ROLES = List.of(Account.Role.OWNER, Account.Role.EDITOR, Account.Role.ROW_EDITOR);

    private final Accounts accounts;
    private final Inviting inviting;
    private final EntryLinks links;
    private final LogBook log;
    private final MessageSource messages;

    DeskStaff(Accounts accounts, Inviting inviting, EntryLinks links, LogBook log, MessageSource messages) {
        this.accounts = accounts;
        this.inviting = inviting;
        this.links = links;
        this.log = log;
        this.messages = messages;
    }

    @GetMapping(AT)
    String staff(Model model) {
        model.addAttribute("staff", accounts.staff());
        model.addAttribute("roles", ROLES);
        model.addAttribute("invitations", invitations(links, true));
        return "desk/staff";
    }

    /** An invitation that waits, since and until when. */
    public record Invitation(String email, String name, Account.Role role, String since, String until) {
    }

    /** Those that wait: of staff, or of members. */
    static List<Invitation> invitations(EntryLinks links, boolean ofStaff) {
        return links.waiting().stream().filter(each -> ofStaff != (each.link().role() == Account.Role.MEMBER))
                .map(each -> new Invitation(each.link().email(), each.link().name(), each.link().role(),
                        Moments.written(each.since()), Moments.written(each.until()))).toList();
    }

    /** Its link is good no more. */
    @PostMapping("/desk/members/invitations/withdraw")
    String withdraw(Visit visit, @RequestParam(defaultValue = "") String email, @RequestParam(defaultValue = "") String from,
            RedirectAttributes flash) {
        if (links.withdrawInvitation(email)) {
            log.note(visit, Logged.What.INVITATION_WITHDRAWN, email);
            flash.addFlashAttribute("said", say("staff.withdrawn", email));
        } else {
            flash.addFlashAttribute("problem", say("staff.no-waiting", email));
        }
        return "redirect:" + (from.equals("members") ? "/desk/members" : AT);
    }

    /** Sends a link that makes an editor; an address that has an account already becomes one at once. */
    @PostMapping(AT)
    String invite(Visit visit, @RequestParam(defaultValue = "") String email, @RequestParam(defaultValue = "") String name,
            @RequestParam Account.Role role, RedirectAttributes flash) {
        List<String> problems = new ArrayList<>(PersonRules.ofName(name));
        problems.addAll(PersonRules.ofEmail(email));
        if (!problems.isEmpty() || role == Account.Role.OWNER || role == Account.Role.MEMBER) {
            flash.addFlashAttribute("problem", say(problems.isEmpty() ? "staff.no-role" : problems.getFirst()));
            return "redirect:" + AT;
        }
        Optional<Account> known = accounts.find(email);
        if (known.isPresent() && known.get().role() == Account.Role.MEMBER) {
            change(visit, known.get(), role);
            flash.addFlashAttribute("said", say("staff.raised", known.get().email()));
        } else if (known.isEmpty()) {
            inviting.invite(visit, Accounts.normal(email), name.strip(), role);
            flash.addFlashAttribute("said", say("staff.invited", Accounts.normal(email)));
        } else {
            flash.addFlashAttribute("problem", say("welcome.taken-email"));
        }
        return "redirect:" + AT;
    }

    private void change(Visit visit, Account account, Account.Role role) {
        accounts.changeRole(account.id(), role);
        log.note(visit, Logged.What.ROLE_CHANGED, account.email() + ": " + role);
    }

    @PostMapping(AT + "/{id:\\d{1,18}}/role")
    String role(Visit visit, @PathVariable long id, @RequestParam Account.Role role, RedirectAttributes flash) {
        return trying(flash, AT, "staff.changed", () -> change(visit, find(id), role));
    }

    /** They leave everywhere they are signed in. */
    @PostMapping("/desk/members/accounts/{id:\\d{1,18}}/leave")
    String leave(Visit visit, @PathVariable long id, @RequestParam(defaultValue = "") String from, RedirectAttributes flash) {
        return trying(flash, back(from), "staff.left", () -> {
            accounts.leaveEverywhere(find(id).id());
            log.note(visit, Logged.What.LEFT_EVERYWHERE, find(id).email());
        });
    }

    @PostMapping("/desk/members/accounts/{id:\\d{1,18}}/remove")
    String remove(Visit visit, @PathVariable long id, @RequestParam(defaultValue = "") String from, RedirectAttributes flash) {
        Account account = find(id);
        return trying(flash, back(from), "staff.removed", () -> {
            accounts.remove(id);
            log.note(visit, Logged.What.ACCOUNT_REMOVED, account.email());
        });
    }

    private static String back(String from) {
        return from.matches("\\d{1,18}") ? "/desk/members/" + from : AT;
    }

    private String trying(RedirectAttributes flash, String back, String said, Runnable work) {
        try {
            work.run();
            flash.addFlashAttribute("said", say(said));
        } catch (ProblemsFound against) {
            flash.addFlashAttribute("problem", say("problem." + against.problems().all().getFirst().code()));
        }
        return "redirect:" + back;
    }

    private Account find(long id) {
        return accounts.current(id).orElseThrow(() -> new NotThere("not-there.page"));
    }

    private String say(String code, Object... details) {
        return Words.ofRequest(messages).say(code, details);
    }
}
