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
        String text = "error." + FailurePage.kind(status) + ".text";
        return FailurePage.of(status, messages.getMessage(text, null, language), request);
    }

    private static HttpStatus status(HttpServletRequest request) {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = code instanceof Integer number ? HttpStatus.resolve(number) : null;
        return status == null ? HttpStatus.NOT_FOUND : status;
    }
}
