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
        response.getWriter().write(page.replace("NUMBER", Integer.toString(status)).replace("SENTENCE", sentence(status))
                .replace("GERMAN", german(status)));
    }

    /** Before anything is asked of the site its language is not known: both are said. */
    private static String sentence(int status) {
        return switch (status) {
            case HttpServletResponse.SC_METHOD_NOT_ALLOWED -> "This address cannot be asked for like that.";
            case HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE -> "That is more than can be sent at once.";
            case FloodGate.TOO_MANY -> "Too many requests in a moment. Wait a second and try again.";
            default -> "This is not an address of this site. Perhaps a part of it was lost on the way.";
        };
    }

    private static String german(int status) {
        return switch (status) {
            case HttpServletResponse.SC_METHOD_NOT_ALLOWED -> "So lässt sich diese Adresse nicht abrufen.";
            case HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE -> "Das ist mehr, als auf einmal gesendet werden kann.";
            case FloodGate.TOO_MANY -> "Zu viele Anfragen auf einmal. Warten Sie eine Sekunde und versuchen Sie es noch einmal.";
            default -> "Das ist keine Adresse dieser Website. Vielleicht ist unterwegs ein Teil verloren gegangen.";
        };
    }
}
