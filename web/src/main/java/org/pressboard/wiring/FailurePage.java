package org.pressboard.wiring;

import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.ModelAndView;

/** The page that says to people what failed. */
final class FailurePage {

    private FailurePage() {
    }

    static ModelAndView of(HttpStatus status, String sentence) {
        ModelAndView page = new ModelAndView("error/failure", status);
        page.addObject("number", status.value());
        page.addObject("title", "error." + kind(status) + ".title");
        page.addObject("sentence", sentence);
        return page;
    }

    /** The part of the codes of its messages. */
    static String kind(HttpStatus status) {
        return switch (status) {
            case NOT_FOUND -> "404";
            case FORBIDDEN, UNAUTHORIZED -> "403";
            case SERVICE_UNAVAILABLE, TOO_MANY_REQUESTS -> "busy";
            default -> status.is4xxClientError() ? "4xx" : "500";
        };
    }
}
