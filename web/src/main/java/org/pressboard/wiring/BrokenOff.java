package org.pressboard.wiring;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.apache.coyote.CloseNowException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.servlet.ModelAndView;

/**
 * When something fails while part of the answer is on its way already, the connection is broken: whoever reads sees that
 * it is not whole, and nothing is glued to its end.
 */
final class BrokenOff implements HandlerExceptionResolver {

    private static final Logger LOG = LoggerFactory.getLogger(BrokenOff.class);

    @Override
    public @Nullable ModelAndView resolveException(HttpServletRequest request, HttpServletResponse response,
            @Nullable Object handler, Exception failed) {
        if (!response.isCommitted()) {
            return null;
        }
        // who leaves or reads too slowly is nobody's fault to be noted
        if (!(failed instanceof IOException)) {
            LOG.error("An answer was broken off: {}", request.getRequestURI(), failed);
        }
        throw BrokenOff.<RuntimeException>unchecked(new CloseNowException(failed));
    }

    /** The server closes the connection for this very exception, without a word in the log. */
    @SuppressWarnings("unchecked")
    private static <E extends Exception> E unchecked(Exception failed) throws E {
        throw (E) failed;
    }
}
