package org.pressboard.wiring;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.MediaType;

/** The page for an address that is refused before anything of Pressboard is asked. */
final class RefusedPage {

    private final String page;

    RefusedPage(Assets assets) {
        this.page = PlainPage.read("/templates/error/refused.html").replace("STYLESHEET", assets.path("site.css"));
    }

    void write(HttpServletResponse response) throws IOException {
        response.resetBuffer();
        response.setStatus(HttpServletResponse.SC_BAD_REQUEST);
        PlainPage.secure(response);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.setContentType(MediaType.TEXT_HTML_VALUE);
        response.getWriter().write(page);
    }
}
