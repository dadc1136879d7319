package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.EntryLinks;
import org.pressboard.log.Logged;
import org.pressboard.visit.Visit;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What everybody who is signed in can do with their own account. */
@Controller
class OwnAccount {

    private static final String AT = "/members/account";

    private final Accounts accounts;
    private final EntryLinks links;
    private final Entering entering;
    private final SignInThrottle throttle;
    private final LogBook log;
    private final PasswordEncoder passwords;
    private final OwnSessions sessions;

    OwnAccount(Accounts accounts, EntryLinks links, Entering entering, SignInThrottle throttle, LogBook log,
            PasswordEncoder passwords, OwnSessions sessions) {
        this.sessions = sessions;
        this.accounts = accounts;
        this.links = links;
        this.entering = entering;
        this.throttle = throttle;
        this.log = log;
        this.passwords = passwords;
    }

    @GetMapping(AT)
    String account(Visit visit, Model model, HttpServletRequest request) {
        return show(mine(visit), visit.language(), model, request);
    }

    private String show(Account account, Locale language, Model model, HttpServletRequest request) {
        model.addAttribute("account", account);
        model.addAttribute("sessions", sessions.of(account, request.getSession().getId()));
        model.addAttribute("when", DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT)
                .withLocale(language).withZone(ZoneId.systemDefault()));
        return "signin/account";
    }

    private Account mine(Visit visit) {
        return accounts.current(Objects.requireNonNull(visit.who()).accountId()).orElseThrow();
    }

    /** Others who are signed in with the account are so no more; whoever changes the password stays. */
    @PostMapping(AT + "/password")
    String password(Visit visit, @RequestParam(defaultValue = "") String now, @RequestParam(defaultValue = "") String then,
            Model model, HttpServletRequest request, HttpServletResponse response, RedirectAttributes flash) {
        Account account = mine(visit);
        List<String> problems = new ArrayList<>(PersonRules.ofPassword(then, account.name(), account.email()));
        if (!throttle.spend(account.email(), request.getRemoteAddr())) {
            problems.addFirst("signin.slow");
        } else if (passwords.matches(now, account.passwordHash())) {
            throttle.giveBack(account.email(), request.getRemoteAddr());
        } else {
            problems.addFirst("account.wrong-password");
        }
        if (!problems.isEmpty()) {
            model.addAttribute("problems", problems);
            return show(account, visit.language(), model, request);
        }
        accounts.changePassword(account.id(), Objects.requireNonNull(passwords.encode(then)));
        links.withdraw(account.email());
        log.note(visit, Logged.What.PASSWORD_CHANGED, "");
        entering.signIn(accounts.find(account.email()).orElseThrow(), request, response);
        flash.addFlashAttribute("changed", true);
        return "redirect:" + AT;
    }

    /** Signs them out in one of the browsers in which they are signed in. */
    @PostMapping(AT + "/leave/{session}")
    String leave(Visit visit, @PathVariable String session, RedirectAttributes flash) {
        log.note(visit, Logged.What.LEFT_ONE, "");
        sessions.end(mine(visit), session);
        flash.addFlashAttribute("left", true);
        return "redirect:" + AT;
    }

    @PostMapping(AT + "/leave")
    String leaveEverywhere(Visit visit) {
        log.note(visit, Logged.What.LEFT_EVERYWHERE, "");
        accounts.leaveEverywhere(mine(visit).id());
        return "redirect:/sign-in?out";
    }
}
