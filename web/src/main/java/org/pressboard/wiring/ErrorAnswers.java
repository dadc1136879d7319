package org.pressboard.wiring;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Locale;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.context.MessageSource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;

/** Answers what failed before or beside a controller: with a designed page, or with problem details (RFC 9457). */
@Controller
class ErrorAnswers implements ErrorController {

    private final MessageSource messages;

    ErrorAnswers(MessageSource messages) {
        this.messages = messages;
    }

    @RequestMapping("/error")
    Object answer(HttpServletRequest request, Locale language) {
        HttpStatus status = status(request);
        if (Failures.wantsJson(request)) {
            ProblemDetail detail = ProblemDetail.forStatus(status);
            return ResponseEntity.status(status).contentType(MediaType.APPLICATION_PROBLEM_JSON).body(detail);
        }
        ModelAndView page = new ModelAndView("error/" + template(status), status);
        page.addObject("sentence", messages.getMessage(
                status == HttpStatus.NOT_FOUND ? "problem.not-there.page" : "error.4xx.text", null, language));
        return page;
    }

    private static String template(HttpStatus status) {
        return switch (status) {
            case NOT_FOUND -> "404";
            case FORBIDDEN, UNAUTHORIZED -> "403";
            default -> status.is4xxClientError() ? "4xx" : "500";
        };
    }

    private static HttpStatus status(HttpServletRequest request) {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = code instanceof Integer number ? HttpStatus.resolve(number) : null;
        return status == null ? HttpStatus.NOT_FOUND : status;
    }
}
