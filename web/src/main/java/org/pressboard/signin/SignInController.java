package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Site;
import org.pressboard.catalog.WelcomeLinks;
import org.pressboard.visit.Visit;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Signing in, and the link that makes the owner of a new site. */
@Controller
class SignInController {

    private final Accounts accounts;
    private final WelcomeLinks links;
    private final PasswordEncoder passwords;
    private final Entering entering;
    private final TransactionTemplate transaction;

    SignInController(Accounts accounts, WelcomeLinks links, PasswordEncoder passwords,
            Entering entering, org.springframework.transaction.PlatformTransactionManager transactions) {
        this.entering = entering;
        this.accounts = accounts;
        this.links = links;
        this.passwords = passwords;
        this.transaction = new TransactionTemplate(transactions);
    }

    @GetMapping("/sign-in")
    String signIn(Visit visit, HttpServletRequest request, Model model) {
        for (String why : List.of("failed", "slow", "out")) {
            if (request.getParameter(why) != null) {
                model.addAttribute("notice", "signin." + why);
            }
        }
        String to = request.getParameter(AfterSignIn.TO);
        model.addAttribute("to", to != null && AfterSignIn.isPlace(to) ? to : "");
        model.addAttribute("open", visit.site().site().signUp() == Site.SignUp.OPEN);
        return "signin/sign-in";
    }

    @GetMapping("/welcome")
    String welcome(@RequestParam(defaultValue = "") String token, Model model) {
        model.addAttribute("good", links.isGood(token));
        model.addAttribute("token", token);
        model.addAttribute("problems", List.of());
        return "signin/welcome";
    }

    @PostMapping("/welcome")
    String makeOwner(@RequestParam String token, @RequestParam String name, @RequestParam String email,
            @RequestParam String password, Model model, HttpServletRequest request, HttpServletResponse response) {
        List<String> problems = PersonRules.problems(name, email, password);
        if (problems.isEmpty() && links.isGood(token) && accounts.find(email).isPresent()) {
            problems.add("welcome.taken-email");
        }
        if (problems.isEmpty() && isMade(token, name, email, password)) {
            // whoever has become the owner is here, and says what the site is called
            accounts.find(Accounts.normal(email)).ifPresent(owner -> entering.signIn(owner, request, response));
            return "redirect:/desk/settings?first";
        }
        model.addAttribute("good", links.isGood(token));
        model.addAttribute("token", token);
        model.addAttribute("name", name);
        model.addAttribute("email", email);
        model.addAttribute("problems", problems);
        return "signin/welcome";
    }

    private boolean isMade(String token, String name, String email, String password) {
        return Boolean.TRUE.equals(transaction.execute(status -> {
            if (!links.useUp(token)) {
                return false;
            }
            accounts.add(email, name.strip(), passwords.encode(password), Account.Role.OWNER);
            return true;
        }));
    }
}
