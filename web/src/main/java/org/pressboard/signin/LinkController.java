package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.EntryLink;
import org.pressboard.catalog.Site;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Links asked for by e-mail: to sign in, to set a password that was forgotten, or to have an account made. */
@Controller
class LinkController {

    private final EntryMail mail;
    private final MailPace pace;

    LinkController(EntryMail mail, MailPace pace) {
        this.mail = mail;
        this.pace = pace;
    }

    @PostMapping("/sign-in/link")
    String link(@RequestParam(defaultValue = "") String email, @RequestParam(defaultValue = "") String to,
            HttpServletRequest request, Model model) {
        return ask(EntryLink.Purpose.SIGN_IN, email, "", to, request, model);
    }

    @GetMapping("/sign-in/forgotten")
    String forgotten(Model model) {
        return form("forgotten", List.of(), model);
    }

    @PostMapping("/sign-in/forgotten")
    String forgotten(@RequestParam(defaultValue = "") String email, HttpServletRequest request, Model model) {
        return ask(EntryLink.Purpose.PASSWORD, email, "", "", request, model);
    }

    /** On a site that is not open to all, nobody asks for an account: those who may have one were told. */
    @GetMapping("/sign-in/join")
    String join(Visit visit, Model model) {
        return isOpen(visit) ? form("join", List.of(), model) : "redirect:/sign-in";
    }

    @PostMapping("/sign-in/join")
    String join(Visit visit, @RequestParam(defaultValue = "") String name, @RequestParam(defaultValue = "") String email,
            HttpServletRequest request, Model model) {
        if (!isOpen(visit)) {
            return "redirect:/sign-in";
        }
        model.addAttribute("name", name);
        return ask(EntryLink.Purpose.JOIN, email, name.strip(), "", request, model);
    }

    private static boolean isOpen(Visit visit) {
        return visit.site().site().signUp() == Site.SignUp.OPEN;
    }

    /** The same answer for every address: whether it is known is for its owner alone to know. */
    private String ask(EntryLink.Purpose purpose, String email, String name, String to, HttpServletRequest request,
            Model model) {
        List<String> problems = new ArrayList<>(purpose == EntryLink.Purpose.JOIN ? PersonRules.ofName(name) : List.of());
        problems.addAll(PersonRules.ofEmail(email));
        if (problems.isEmpty() && !pace.maySend(request.getRemoteAddr())) {
            problems.add("signin.slow");
        }
        String address = Accounts.normal(email);
        model.addAttribute("email", problems.isEmpty() ? address : email);
        if (!problems.isEmpty()) {
            return form(purpose == EntryLink.Purpose.SIGN_IN ? "link" : purpose == EntryLink.Purpose.PASSWORD
                    ? "forgotten" : "join", problems, model);
        }
        if (pace.mayReceive(address)) {
            mail.ask(purpose, address, name, AfterSignIn.isPlace(to) ? to : "", request.getRemoteAddr());
        }
        return form("sent", List.of(), model);
    }

    private static String form(String which, List<String> problems, Model model) {
        model.addAttribute("which", which);
        model.addAttribute("problems", problems);
        return "signin/entry";
    }
}
