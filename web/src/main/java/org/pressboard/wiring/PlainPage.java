package org.pressboard.wiring;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Objects;

/** Pages that need nothing but themselves, for when nothing else can be had. */
final class PlainPage {

    private PlainPage() {
    }

    static String read(String resource) {
        try (InputStream in = PlainPage.class.getResourceAsStream(resource)) {
            return new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** The headers that every page has. */
    static void secure(HttpServletResponse response) {
        response.setHeader("Content-Security-Policy", FramePolicy.FRAMED_BY_NONE);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Cache-Control", "no-store");
    }
}
