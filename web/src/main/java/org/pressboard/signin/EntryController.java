package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.EntryLink;
import org.pressboard.catalog.EntryLinks;
import org.pressboard.log.Logged;
import org.pressboard.member.Joining;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * Coming in by a link sent by e-mail, as {@link LinkController} has sent it. A link is used up by the button on its page, not by
 * being opened, for programs that look at mail open links.
 */
@Controller
class EntryController {

    private final Accounts accounts;
    private final EntryLinks links;
    private final Joining joining;
    private final Entering entering;
    private final JoiningForm asking;
    private final LogBook log;
    private final PasswordEncoder passwords;
    private final TransactionTemplate transaction;

    EntryController(Accounts accounts, EntryLinks links, Joining joining, Entering entering, JoiningForm asking, LogBook log,
            PasswordEncoder passwords, PlatformTransactionManager transactions) {
        this.accounts = accounts;
        this.links = links;
        this.joining = joining;
        this.entering = entering;
        this.asking = asking;
        this.log = log;
        this.passwords = passwords;
        this.transaction = new TransactionTemplate(transactions);
    }

    @GetMapping("/sign-in/enter")
    String enter(@RequestParam(defaultValue = "") String token, @RequestParam(defaultValue = "") String to, Model model) {
        return show(token, to, List.of(), model);
    }

    @PostMapping("/sign-in/enter")
    String enter(@RequestParam(defaultValue = "") String token, @RequestParam(defaultValue = "") String to,
            @RequestParam(defaultValue = "") String name, @RequestParam(defaultValue = "") String password,
            @RequestParam MultiValueMap<String, String> sent, Model model, HttpServletRequest request, HttpServletResponse response) {
        Optional<EntryLink> link = links.find(token);
        List<String> problems = link.map(found -> problems(found, name, password)).orElse(List.of());
        Optional<JoiningForm.Answers> more = link.filter(joining::isListing).map(found -> asking.read(joining.required().asked(), sent));
        more.ifPresent(answers -> model.addAttribute("form", answers.form()));
        if (!problems.isEmpty() || more.filter(answers -> !answers.isComplete()).isPresent()) {
            model.addAttribute("name", name);
            return show(token, to, problems, model);
        }
        try {
            Optional<Account> account = Objects.requireNonNull(transaction.execute(status -> letIn(token, name, password,
                    more.map(JoiningForm.Answers::values).orElse(Map.of()), request.getRemoteAddr())));
            if (account.isPresent()) {
                entering.signIn(account.get(), request, response);
                return "redirect:" + (AfterSignIn.isPlace(to) ? to : "/");
            }
        } catch (ProblemsFound refused) {
            return show(token, to, List.of("problem." + refused.problems().all().getFirst().code()), model);
        }
        return show(token, to, List.of(), model);
    }

    private static List<String> problems(EntryLink link, String name, String password) {
        List<String> problems = new ArrayList<>(link.makesAccount() ? PersonRules.ofName(name) : List.of());
        problems.addAll(link.purpose() == EntryLink.Purpose.SIGN_IN ? List.of() : PersonRules.ofPassword(password,
                name, link.name(), link.email()));
        return problems;
    }

    private Optional<Account> letIn(String token, String name, String password, Map<FieldKey, Value> more, String from) {
        Optional<EntryLink> used = links.useUp(token);
        if (used.isEmpty()) {
            return Optional.empty();
        }
        EntryLink link = used.get();
        if (link.makesAccount()) {
            Account made = joining.join(link, name.strip(), encoded(password), more);
            log.note(made, Logged.What.JOINED, from);
            return Optional.of(made);
        }
        Optional<Account> account = accounts.find(link.email());
        if (account.isPresent() && link.purpose() == EntryLink.Purpose.PASSWORD) {
            accounts.changePassword(account.get().id(), encoded(password));
            log.note(account.get(), Logged.What.PASSWORD_CHANGED, from);
            return accounts.find(link.email());
        }
        return account;
    }

    private String encoded(String password) {
        return Objects.requireNonNull(passwords.encode(password));
    }

    private String show(String token, String to, List<String> problems, Model model) {
        Optional<EntryLink> link = links.find(token);
        model.addAttribute("link", link.orElse(null));
        model.addAttribute("token", token);
        model.addAttribute("to", AfterSignIn.isPlace(to) ? to : "");
        model.addAttribute("problems", problems);
        link.filter(found -> joining.isListing(found) && !model.containsAttribute("form"))
                .ifPresent(found -> model.addAttribute("form", asking.blank(joining.required().asked())));
        link.filter(found -> !model.containsAttribute("name"))
                .ifPresent(found -> model.addAttribute("name", found.name()));
        return "signin/enter";
    }
}
