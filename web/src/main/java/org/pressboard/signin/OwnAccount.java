package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.EntryLinks;
import org.pressboard.log.Logged;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
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

    OwnAccount(Accounts accounts, EntryLinks links, Entering entering, SignInThrottle throttle, LogBook log,
            PasswordEncoder passwords) {
        this.accounts = accounts;
        this.links = links;
        this.entering = entering;
        this.throttle = throttle;
        this.log = log;
        this.passwords = passwords;
    }

    @GetMapping(AT)
    String account(Model model) {
        model.addAttribute("account", mine());
        return "signin/account";
    }

    private Account mine() {
        return accounts.current(Objects.requireNonNull(SignedIn.current()).accountId()).orElseThrow();
    }

    /** Others who are signed in with the account are so no more; whoever changes the password stays. */
    @PostMapping(AT + "/password")
    String password(@RequestParam(defaultValue = "") String now, @RequestParam(defaultValue = "") String then, Model model,
            HttpServletRequest request, HttpServletResponse response, RedirectAttributes flash) {
        Account account = mine();
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
            return account(model);
        }
        accounts.changePassword(account.id(), Objects.requireNonNull(passwords.encode(then)));
        links.withdraw(account.email());
        log.note(Logged.What.PASSWORD_CHANGED, "");
        entering.signIn(accounts.find(account.email()).orElseThrow(), request, response);
        flash.addFlashAttribute("changed", true);
        return "redirect:" + AT;
    }

    @PostMapping(AT + "/leave")
    String leaveEverywhere() {
        log.note(Logged.What.LEFT_EVERYWHERE, "");
        accounts.leaveEverywhere(mine().id());
        return "redirect:/sign-in?out";
    }
}
