package org.pressboard.site;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpServletResponseWrapper;
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
    private static final String GIVEN = KeptAnswers.class.getName();

    private record Key(String tag, String path, @Nullable String query) {
    }

    private record Answer(String type, byte[] body) {
    }

    private final Cache<Key, Answer> answers;

    KeptAnswers(Budget budget) {
        this.answers = Caffeine.newBuilder().maximumWeight(budget.setAside(Budget.Use.ANSWERS, MOST_BYTES))
                .weigher((Key key, Answer answer) -> answer.body.length + 200).build();
    }

    /** Gives a kept answer of that tag, where there is one. */
    boolean give(String tag, HttpServletRequest request, HttpServletResponse response) {
        Answer answer = answers.getIfPresent(key(tag, request));
        if (answer == null) {
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

    /** Has the answer that is drawn now kept. Before anything is written. */
    void keep(String tag, HttpServletRequest request) {
        if (request.getAttribute(GIVEN) instanceof Given given) {
            given.copyAs(key(tag, request));
        }
    }

    private static Key key(String tag, HttpServletRequest request) {
        return new Key(tag, request.getRequestURI(), request.getQueryString());
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getMethod().equals("GET");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Given given = new Given(response);
        request.setAttribute(GIVEN, given);
        chain.doFilter(request, given);
        given.finish(answers);
    }

    /** Goes on to the browser as it is written, however large it is; what is to be kept is held until it is whole. */
    private static final class Given extends HttpServletResponseWrapper {

        private @Nullable Key key;

        private Given(HttpServletResponse response) {
            super(response);
        }

        private void copyAs(Key kept) {
            if (key == null) {
                setResponse(new ContentCachingResponseWrapper((HttpServletResponse) getResponse()));
            }
            key = kept;
        }

        private void finish(Cache<Key, Answer> answers) throws IOException {
            if (key != null && getResponse() instanceof ContentCachingResponseWrapper copy) {
                String type = copy.getContentType();
                if (copy.getStatus() == SC_OK && copy.getHeader(HttpHeaders.SET_COOKIE) == null && type != null) {
                    answers.put(key, new Answer(type, copy.getContentAsByteArray()));
                }
                copy.copyBodyToResponse();
            }
        }
    }
}
