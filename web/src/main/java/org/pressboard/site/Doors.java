package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.edition.Access;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Visitor;
import org.pressboard.sheet.NotThere;
import org.pressboard.signin.SignedIn;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;

/** Lets visitors to pages, or tells them what their owners have those told who do not get there. */
@ControllerAdvice
class Doors {

    Doors() {
    }

    /**
     * The page at an address, also at one that it had before, as this visitor may have it.
     *
     * @throws NotThere   when there is none for them
     * @throws PageClosed when there is one for others, and they are to be told
     */
    static Edition open(PublishedSite site, String address, Visitor visitor) {
        Optional<PageKey> key = Optional.of(address).filter(PageKey::isValid).map(PageKey::new);
        Optional<Edition> found = key.flatMap(asked -> site.openTo(visitor, asked));
        Optional<PageKey> before = Optional.ofNullable(site.formerly().get(address));
        return found.or(() -> before.flatMap(now -> site.openTo(visitor, now)))
                .orElseThrow(() -> shut(key.flatMap(asked -> site.closedTo(visitor, asked))));
    }

    private static RuntimeException shut(Optional<Page> closed) {
        return closed.filter(page -> page.access().otherwise() != Access.Otherwise.NOT_THERE)
                .<RuntimeException>map(PageClosed::new).orElseGet(() -> new NotThere("not-there.page"));
    }

    @ExceptionHandler
    String closed(PageClosed closed, HttpServletRequest request, HttpServletResponse response, Model model) {
        Page page = closed.page();
        if (page.access().otherwise() == Access.Otherwise.SIGN_IN && SignedIn.current() == null) {
            String query = request.getQueryString() == null ? "" : "?" + request.getQueryString();
            return "redirect:/sign-in?to=" + URLEncoder.encode(request.getRequestURI() + query, StandardCharsets.UTF_8);
        }
        response.setStatus(HttpServletResponse.SC_FORBIDDEN);
        model.addAttribute("page", page);
        return "site/closed";
    }
}
