package org.pressboard.wiring;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.pressboard.drawing.Assets;
import org.springframework.http.MediaType;

/** The page for what is refused before anything of Pressboard is asked; it costs next to nothing. */
final class RefusedPage {

    private final String page;

    RefusedPage(Assets assets) {
        this.page = PlainPage.read("/templates/error/refused.html").replace("STYLESHEET", assets.path("site.css"));
    }

    void write(HttpServletResponse response, int status) throws IOException {
        response.resetBuffer();
        response.setStatus(status);
        PlainPage.secure(response);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.setContentType(MediaType.TEXT_HTML_VALUE);
        response.getWriter().write(page.replace("NUMBER", Integer.toString(status)).replace("SENTENCE", sentence(status)));
    }

    private static String sentence(int status) {
        return switch (status) {
            case HttpServletResponse.SC_METHOD_NOT_ALLOWED -> "Pages are asked for and forms are sent; nothing else is.";
            case HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE -> "That is more than can be taken at once.";
            case FloodGate.TOO_MANY -> "You are asking faster than anybody can read. Wait a second and try again.";
            default -> "This is no address that a site can have. Perhaps a part of it was lost or added on the way.";
        };
    }
}
