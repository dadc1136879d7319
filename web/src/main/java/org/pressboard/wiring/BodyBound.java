package org.pressboard.wiring;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.pressboard.connector.Door;
import org.springframework.http.HttpHeaders;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Turns away, before anything of it is read, what has a larger body than anything here takes, and what is neither
 * asked for nor sent as browsers do. Bodies whose length is not said are bounded where they are read.
 */
final class BodyBound extends OncePerRequestFilter {

    private static final Set<String> METHODS = Set.of("GET", "HEAD", "POST");
    private static final long MOST_BYTES_OF_A_FILE = 102L * 1024 * 1024;

    private final RefusedPage page;

    BodyBound(RefusedPage page) {
        this.page = page;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean isFile = String.valueOf(request.getContentType()).startsWith("multipart/");
        if (!METHODS.contains(request.getMethod())) {
            response.setHeader("Allow", String.join(", ", METHODS.stream().sorted().toList()));
            refuse(response, HttpServletResponse.SC_METHOD_NOT_ALLOWED);
        } else if (request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null) {
            // browsers say how long a form is
            refuse(response, HttpServletResponse.SC_LENGTH_REQUIRED);
        } else if (request.getContentLengthLong() > (isFile ? MOST_BYTES_OF_A_FILE : Door.MOST_BYTES_OF_A_FORM)) {
            refuse(response, HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE);
        } else {
            chain.doFilter(request, response);
        }
    }

    private void refuse(HttpServletResponse response, int status) throws IOException {
        response.setHeader(HttpHeaders.CONNECTION, "close");
        page.write(response, status);
    }
}
