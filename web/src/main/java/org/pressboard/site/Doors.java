package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import org.pressboard.edition.Access;
import org.pressboard.edition.Page;
import org.pressboard.stand.PageClosed;
import org.pressboard.visit.Caller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;

/** Tells those who do not get to a page what its owner has them told. */
@ControllerAdvice
class Doors {

    Doors() {
    }

    @ExceptionHandler
    String closed(PageClosed closed, HttpServletRequest request, HttpServletResponse response, Model model) {
        Page page = closed.page();
        if (page.access().otherwise() == Access.Otherwise.SIGN_IN && Caller.of(request).who() == null) {
            String query = request.getQueryString() == null ? "" : "?" + request.getQueryString();
            return "redirect:/sign-in?to=" + URLEncoder.encode(request.getRequestURI() + query, StandardCharsets.UTF_8);
        }
        response.setStatus(HttpServletResponse.SC_FORBIDDEN);
        model.addAttribute("page", page);
        return "site/closed";
    }
}
