package org.pressboard.wiring;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.pressboard.network.Networks;
import org.springframework.http.HttpHeaders;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The outermost bound: how often one network address may ask for anything at all. What is beyond it is refused before it
 * costs anything, so that a flood does not take the time of others; what reading costs is counted behind it.
 */
final class FloodGate extends OncePerRequestFilter {

    static final int TOO_MANY = 429;
    private static final int SECONDS_AT_ONCE = 5;
    private static final Duration FORGOTTEN_AFTER = Duration.ofSeconds(2L * SECONDS_AT_ONCE);

    private final LoadingCache<String, Bucket> buckets;
    private final RefusedPage page;

    FloodGate(int perSecond, RefusedPage page) {
        this.page = page;
        this.buckets = Caffeine.newBuilder().maximumSize(100_000).expireAfterAccess(FORGOTTEN_AFTER).build(who ->
                Bucket.builder().addLimit(limit -> limit.capacity((long) perSecond * SECONDS_AT_ONCE)
                        .refillGreedy(perSecond, Duration.ofSeconds(1))).build());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (buckets.get(Networks.subscriber(request.getRemoteAddr())).tryConsume(1)) {
            chain.doFilter(request, response);
        } else {
            response.setHeader(HttpHeaders.RETRY_AFTER, "1");
            response.setHeader(HttpHeaders.CONNECTION, "close");
            page.write(response, TOO_MANY);
        }
    }
}
