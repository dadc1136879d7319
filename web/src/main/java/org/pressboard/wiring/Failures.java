package org.pressboard.wiring;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Locale;
import org.apache.tomcat.util.http.InvalidParameterException;
import org.pressboard.catalog.NewerForm;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.turn.Busy;
import org.pressboard.sql.Canceled;
import org.pressboard.sql.NoRoom;
import org.pressboard.stand.NotHonoured;
import org.pressboard.stand.NotThere;
import org.springframework.dao.DataAccessException;
import org.pressboard.pace.TooOften;
import org.springframework.context.MessageSource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** The one place where what went wrong becomes an answer: a page for people, problem details for programs. */
@ControllerAdvice
class Failures {

    private static final String SECONDS_WHEN_SLOW = "10";

    private final MessageSource messages;

    Failures(MessageSource messages) {
        this.messages = messages;
    }

    @ExceptionHandler
    Object notThere(NotThere failure, HttpServletRequest request, Locale language) {
        return answer(HttpStatus.NOT_FOUND, failure.problem(), request, language);
    }

    @ExceptionHandler
    Object noAddress(NoResourceFoundException failure, HttpServletRequest request, Locale language) {
        return answer(HttpStatus.NOT_FOUND, Problem.of("not-there.page"), request, language);
    }

    @ExceptionHandler
    Object problems(ProblemsFound failure, HttpServletRequest request, Locale language) {
        return answer(HttpStatus.UNPROCESSABLE_CONTENT, failure.problems().all().getFirst(), request, language);
    }

    /** What should have come with files and did not. */
    @ExceptionHandler
    Object noUpload(MultipartException failure, HttpServletRequest request, Locale language) {
        return NoRoom.is(failure) ? answer(HttpStatus.INSUFFICIENT_STORAGE, Problem.of("no-room"), request, language)
                : answer(HttpStatus.BAD_REQUEST, Problem.of("file.none"), request, language);
    }

    /** A file that could not be written. */
    @ExceptionHandler
    Object noRoom(UncheckedIOException failure, HttpServletRequest request, Locale language) {
        if (!NoRoom.is(failure)) {
            throw failure;
        }
        return answer(HttpStatus.INSUFFICIENT_STORAGE, Problem.of("no-room"), request, language);
    }

    @ExceptionHandler
    Object tooLarge(MaxUploadSizeExceededException failure, HttpServletRequest request, Locale language) {
        return answer(HttpStatus.CONTENT_TOO_LARGE, Problem.of("file.too-large", 100), request, language);
    }

    /** What the server cannot read of an address or a form; whoever sends it is nobody's error to be noted. */
    @ExceptionHandler
    void unreadable(InvalidParameterException failure, HttpServletResponse response) throws IOException {
        response.sendError(failure.getErrorCode());
    }

    @ExceptionHandler
    Object tooOften(TooOften failure, HttpServletRequest request, HttpServletResponse response, Locale language) {
        long seconds = failure.secondsToWait();
        response.setHeader(HttpHeaders.RETRY_AFTER, Long.toString(seconds));
        return answer(HttpStatus.TOO_MANY_REQUESTS, Problem.of("too-often", seconds), request, language);
    }

    /** Programs and take-aways alike, for a browser would keep a page as the file. */
    @ExceptionHandler
    ResponseEntity<ProblemDetail> notHonoured(NotHonoured failure, Locale language) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST,
                messages.getMessage("problem.not-honoured", null, language));
        detail.setProperty("parts", failure.problems().all().stream().map(problem -> messages.getMessage(
                "problem." + problem.code(), problem.details().toArray(), language)).toList());
        return ResponseEntity.badRequest().contentType(MediaType.APPLICATION_PROBLEM_JSON).body(detail);
    }

    @ExceptionHandler
    Object busy(Busy failure, HttpServletRequest request, HttpServletResponse response, Locale language) {
        long seconds = Math.max(1, failure.comeBackIn().toSeconds());
        response.setHeader(HttpHeaders.RETRY_AFTER, Long.toString(seconds));
        return answer(HttpStatus.SERVICE_UNAVAILABLE, Problem.of("busy", seconds), request, language);
    }

    /** Others run a later release already; this node soon will. */
    @ExceptionHandler
    Object ofLaterRelease(NewerForm failure, HttpServletRequest request, HttpServletResponse response, Locale language) {
        response.setHeader(HttpHeaders.RETRY_AFTER, SECONDS_WHEN_SLOW);
        return answer(HttpStatus.SERVICE_UNAVAILABLE, Problem.of("later-release"), request, language);
    }

    /** A statement that took longer than it may; whatever layer says so. */
    @ExceptionHandler({DataAccessException.class, org.jooq.exception.DataAccessException.class, TransactionException.class})
    Object tookTooLong(RuntimeException failure, HttpServletRequest request, HttpServletResponse response,
            Locale language) {
        if (!Canceled.is(failure) && !NoRoom.is(failure)) {
            throw failure;
        }
        response.setHeader(HttpHeaders.RETRY_AFTER, SECONDS_WHEN_SLOW);
        return answer(HttpStatus.SERVICE_UNAVAILABLE, Problem.of(NoRoom.is(failure) ? "no-room" : "took-too-long"), request,
                language);
    }

    private Object answer(HttpStatus status, Problem problem, HttpServletRequest request, Locale language) {
        String sentence = messages.getMessage("problem." + problem.code(), problem.details().toArray(), language);
        if (wantsJson(request)) {
            ProblemDetail detail = ProblemDetail.forStatusAndDetail(status, sentence);
            return ResponseEntity.status(status).contentType(MediaType.APPLICATION_PROBLEM_JSON).body(detail);
        }
        return FailurePage.of(status, sentence, request);
    }

    /** By the address that was asked for first, also when the request has been handed on to the error page. */
    static boolean wantsJson(HttpServletRequest request) {
        String accept = String.valueOf(request.getHeader(HttpHeaders.ACCEPT));
        Object asked = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI);
        String address = asked == null ? request.getRequestURI() : asked.toString();
        return address.endsWith(".json") || accept.contains("json");
    }
}
