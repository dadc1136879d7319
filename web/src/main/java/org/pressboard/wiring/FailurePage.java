package org.pressboard.wiring;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.servlet.ModelAndView;

/**
 * The page that says to people what failed. What was sent by a form is there again where that was nobody's mistake, to be
 * seen and sent once more.
 */
final class FailurePage {

    /** Of names of inputs: what is not for people to read, or not to stand on a page. */
    private static final String UNSAID = "(was|d)\\..*|_.*|password.*|token|do|at|list|back|asked";

    private static final int MOST_CHARACTERS = 200_000;

    private FailurePage() {
    }

    /** What was sent: as it is sent again, and what of it was typed. */
    public record Again(String address, List<Map.Entry<String, String>> inputs, List<String> typed) {
    }

    static ModelAndView of(HttpStatus status, String sentence, HttpServletRequest request) {
        ModelAndView page = new ModelAndView("error/failure", status);
        page.addObject("number", status.value());
        page.addObject("title", "error." + kind(status) + ".title");
        page.addObject("sentence", sentence);
        page.addObject("again", again(status, request));
        return page;
    }

    private static @Nullable Again again(HttpStatus status, HttpServletRequest request) {
        boolean isOurs = status.is5xxServerError() || status == HttpStatus.TOO_MANY_REQUESTS;
        if (!isOurs || !method(request).equals("POST") || !isPlainForm(request)) {
            return null;
        }
        List<Map.Entry<String, String>> inputs = new ArrayList<>();
        List<String> typed = new ArrayList<>();
        int characters = 0;
        for (Map.Entry<String, String[]> input : request.getParameterMap().entrySet()) {
            for (String value : input.getValue()) {
                characters += input.getKey().length() + value.length();
                if (input.getKey().equals("_csrf")) {
                    continue;
                }
                inputs.add(Map.entry(input.getKey(), value));
                if (!value.isBlank() && !input.getKey().matches(UNSAID)) {
                    typed.add(value);
                }
            }
        }
        boolean isSecret = request.getParameterMap().keySet().stream().anyMatch(name -> name.contains("password"));
        return isSecret || characters > MOST_CHARACTERS || inputs.isEmpty() ? null
                : new Again(address(request), inputs, typed);
    }

    /** Whoever is handed on to the error page asks for it by GET (Servlet 6.1). */
    private static String method(HttpServletRequest request) {
        Object first = request.getAttribute(RequestDispatcher.ERROR_METHOD);
        return first == null ? request.getMethod() : first.toString();
    }

    /** Files are not there a second time. */
    private static boolean isPlainForm(HttpServletRequest request) {
        return String.valueOf(request.getContentType()).startsWith("application/x-www-form-urlencoded");
    }

    private static String address(HttpServletRequest request) {
        Object first = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI);
        return first == null ? request.getRequestURI() : first.toString();
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
