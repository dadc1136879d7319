package org.pressboard.wiring;

import org.springframework.http.MediaType;
import org.springframework.security.web.savedrequest.HttpSessionRequestCache;
import org.springframework.security.web.util.matcher.AndRequestMatcher;
import org.springframework.security.web.util.matcher.MediaTypeRequestMatcher;
import org.springframework.security.web.util.matcher.NegatedRequestMatcher;
import org.springframework.security.web.util.matcher.RequestHeaderRequestMatcher;

/** Whoever has to sign in first comes back to the page they asked for, not to a fragment of it. */
final class PagesOnlyRequestCache extends HttpSessionRequestCache {

    PagesOnlyRequestCache() {
        MediaTypeRequestMatcher html = new MediaTypeRequestMatcher(MediaType.TEXT_HTML);
        html.setIgnoredMediaTypes(java.util.Set.of(MediaType.ALL));
        setRequestMatcher(new AndRequestMatcher(html,
                new NegatedRequestMatcher(new RequestHeaderRequestMatcher("HX-Request"))));
    }
}
