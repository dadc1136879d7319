package org.pressboard.wiring;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;
import org.pressboard.sql.Away;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.MediaType;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.servlet.ModelAndView;

/**
 * Answers 503 while the database is away, whoever noticed it, be it the session or a page. Needs no database itself;
 * when it is back the next request is answered as ever.
 *
 * <p>What a controller throws is looked at before Spring's own resolvers do: a database that hangs up looks to them
 * like a browser that did, to which nothing need be answered.
 */
final class DatabaseAwayFilter extends OncePerRequestFilter implements HandlerExceptionResolver {

    private static final Logger LOG = LoggerFactory.getLogger(DatabaseAwayFilter.class);
    private static final String SECONDS_TO_WAIT = "5";
    private static final String PROBLEM = "{\"type\":\"about:blank\",\"status\":503,\"title\":\"Service Unavailable\","
            + "\"detail\":\"The database cannot be reached at the moment. Please try again in a few seconds.\"}";

    private final String page;

    DatabaseAwayFilter(String stylesheet) {
        this.page = PlainPage.read("/templates/error/away.html").replace("STYLESHEET", stylesheet);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (ServletException | RuntimeException failed) {
            if (!Away.is(failed) || response.isCommitted()) {
                throw failed;
            }
            answer(request, response, failed);
        }
    }

    @Override
    public @Nullable ModelAndView resolveException(HttpServletRequest request, HttpServletResponse response,
            @Nullable Object handler, Exception failed) {
        if (!Away.is(failed) || response.isCommitted()) {
            return null;
        }
        try {
            answer(request, response, failed);
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
        return new ModelAndView();
    }

    private void answer(HttpServletRequest request, HttpServletResponse response, Exception failed)
            throws IOException {
        LOG.warn("The database is away: {}", failed.getMessage());
        response.resetBuffer();
        response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
        response.setHeader("Retry-After", SECONDS_TO_WAIT);
        PlainPage.secure(response);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        boolean json = request.getRequestURI().endsWith(".json");
        response.setContentType(json ? MediaType.APPLICATION_PROBLEM_JSON_VALUE : MediaType.TEXT_HTML_VALUE);
        response.getWriter().write(json ? PROBLEM : page);
    }
}
