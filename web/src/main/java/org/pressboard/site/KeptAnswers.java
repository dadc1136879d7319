package org.pressboard.site;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.pressboard.memory.Budget;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/**
 * Keeps what people who are not signed in were answered, so that the next who asks the same need not wait for it to be
 * drawn again. An answer is kept under the tag of the state it was drawn from, and is found no more once that state
 * has changed.
 */
@Component
class KeptAnswers extends OncePerRequestFilter {

    private static final long MOST_BYTES = 32L * 1024 * 1024;
    private static final String KEEP_AS = KeptAnswers.class.getName();

    private record Key(String tag, String path, @Nullable String query) {
    }

    private record Answer(String type, byte[] body) {
    }

    private final Cache<Key, Answer> answers;

    KeptAnswers(Budget budget) {
        this.answers = Caffeine.newBuilder().maximumWeight(budget.setAside(Budget.Use.ANSWERS, MOST_BYTES))
                .weigher((Key key, Answer answer) -> answer.body.length + 200).build();
    }

    /** Gives a kept answer of that tag; where there is none, says that the one now drawn is to be kept. */
    boolean give(String tag, HttpServletRequest request, HttpServletResponse response) {
        Key key = new Key(tag, request.getRequestURI(), request.getQueryString());
        Answer answer = answers.getIfPresent(key);
        if (answer == null) {
            request.setAttribute(KEEP_AS, key);
            return false;
        }
        response.setContentType(answer.type);
        try {
            response.getOutputStream().write(answer.body);
        } catch (IOException gone) {
            throw new java.io.UncheckedIOException(gone);
        }
        return true;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getMethod().equals("GET") || request.getRequestURI().indexOf('.') >= 0;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        ContentCachingResponseWrapper drawn = new ContentCachingResponseWrapper(response);
        chain.doFilter(request, drawn);
        boolean wanted = request.getAttribute(KEEP_AS) instanceof Key && drawn.getStatus() == 200
                && drawn.getHeader(HttpHeaders.SET_COOKIE) == null;
        if (wanted && drawn.getContentType() != null) {
            answers.put((Key) request.getAttribute(KEEP_AS),
                    new Answer(drawn.getContentType(), drawn.getContentAsByteArray()));
        }
        drawn.copyBodyToResponse();
    }
}
