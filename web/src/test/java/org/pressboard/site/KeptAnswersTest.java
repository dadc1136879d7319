package org.pressboard.site;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.junit.jupiter.api.Test;
import org.pressboard.memory.Budget;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

/** Only what is to be kept is held in memory while it is given out. */
class KeptAnswersTest {

    private static final String TAG = "W/\"1\"";

    private final KeptAnswers answers = new KeptAnswers(new Budget(512L * 1024 * 1024));

    /** A picture called so was held whole for each who asked for it. */
    @Test
    void aFileGoesOnAsItIsReadWhateverItsName() throws Exception {
        MockHttpServletResponse browser = new MockHttpServletResponse();
        byte[] piece = new byte[256 * 1024];
        ask("/files/trees/0123/picture", browser, (request, response) -> {
            for (int pieces = 1; pieces <= 80; pieces++) {
                response.getOutputStream().write(piece);
                assertThat(browser.getContentAsByteArray()).hasSize(pieces * piece.length);
            }
        });
    }

    @Test
    void whatIsKeptIsGivenAgain() throws Exception {
        MockHttpServletResponse first = new MockHttpServletResponse();
        ask("/trees", first, (request, response) -> {
            response.setContentType("text/html;charset=UTF-8");
            assertThat(answers.give(TAG, request, response)).isFalse();
            answers.keep(TAG, request);
            response.getWriter().write("<p>Bäume</p>");
        });
        MockHttpServletResponse second = new MockHttpServletResponse();
        ask("/trees", second, (request, response) -> assertThat(answers.give(TAG, request, response)).isTrue());
        assertThat(first.getContentAsString(UTF_8)).isEqualTo("<p>Bäume</p>").isEqualTo(second.getContentAsString(UTF_8));
        assertThat(first.getContentLength()).isEqualTo("<p>Bäume</p>".getBytes(UTF_8).length);
        assertThat(second.getContentType()).isEqualTo("text/html;charset=UTF-8");
    }

    @Test
    void whatFailedOrIsOfOneBrowserIsNotKept() throws Exception {
        ask("/trees", new MockHttpServletResponse(), (request, response) -> {
            assertThat(answers.give(TAG, request, response)).isFalse();
            answers.keep(TAG, request);
            response.sendError(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
        });
        ask("/trees", new MockHttpServletResponse(), (request, response) -> {
            assertThat(answers.give(TAG, request, response)).isFalse();
            answers.keep(TAG, request);
            response.setContentType("text/html");
            response.setHeader("Set-Cookie", "mine=1");
        });
        // of which there is no body
        MockHttpServletRequest head = new MockHttpServletRequest("HEAD", "/trees");
        answers.doFilter(head, new MockHttpServletResponse(), (request, response) -> {
            response.setContentType("text/html");
            assertThat(answers.give(TAG, head, (HttpServletResponse) response)).isFalse();
            answers.keep(TAG, head);
        });
        ask("/trees", new MockHttpServletResponse(), (request, response) ->
                assertThat(answers.give(TAG, request, response)).isFalse());
    }

    private interface Answering {

        void answer(HttpServletRequest request, HttpServletResponse response) throws IOException;
    }

    private void ask(String path, MockHttpServletResponse browser, Answering answering) throws ServletException, IOException {
        FilterChain chain = (request, response) ->
                answering.answer((HttpServletRequest) request, (HttpServletResponse) response);
        answers.doFilter(new MockHttpServletRequest("GET", path), browser, chain);
    }
}
