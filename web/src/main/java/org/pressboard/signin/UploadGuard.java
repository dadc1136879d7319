package org.pressboard.signin;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.regex.Pattern;
import org.pressboard.visit.Caller;
import org.pressboard.visit.Who;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Turns uploads away before a byte of them is read, unless they are of staff and for the places that take files, or for a
 * form that does;
 * looking for a CSRF token would read them all.
 */
public final class UploadGuard extends OncePerRequestFilter {

    private static final Pattern PLACES = Pattern.compile("/desk/(intake|files|intake/[0-9a-f-]{36}/pictures|parts/[a-z][a-z0-9-]*/picture)");

    /** Further places that take files from whoever the request is from. */
    public interface Places {

        boolean isTaken(HttpServletRequest request);
    }

    private final Places places;

    public UploadGuard(Places places) {
        this.places = places;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String type = request.getContentType();
        return type == null || !type.toLowerCase(java.util.Locale.ROOT).startsWith("multipart/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Who who = Caller.of(request).who();
        boolean isDesk = who != null && who.isStaff() && PLACES.matcher(request.getRequestURI()).matches();
        if (isDesk || places.isTaken(request)) {
            chain.doFilter(request, response);
        } else {
            response.sendError(HttpServletResponse.SC_FORBIDDEN);
        }
    }
}
