package org.pressboard.wiring;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.springframework.security.web.header.HeaderWriter;

/**
 * What pages may load, and what may frame them: no script, style or frame from anywhere else, and none written into pages.
 * Nothing may be put into a frame but the proof, and that only into the bench.
 */
final class FramePolicy implements HeaderWriter {

    static final String FRAMED_BY_NONE = policy("'none'");
    private static final String FRAMED_BY_OURSELVES = policy("'self'");
    private static final List<String> PROOFS = List.of("/desk/proof/", "/desk/seen/");
    private static final String POLICY = "Content-Security-Policy";

    private static String policy(String ancestors) {
        return "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; "
                + "connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors " + ancestors;
    }

    @Override
    public void writeHeaders(HttpServletRequest request, HttpServletResponse response) {
        boolean isProof = PROOFS.stream().anyMatch(request.getRequestURI()::startsWith);
        if (!response.containsHeader(POLICY)) {
            response.setHeader(POLICY, isProof ? FRAMED_BY_OURSELVES : FRAMED_BY_NONE);
        }
        response.setHeader("X-Frame-Options", isProof ? "SAMEORIGIN" : "DENY");
    }
}
