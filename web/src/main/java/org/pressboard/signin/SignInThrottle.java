package org.pressboard.signin;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Locale;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Slows down guessing of passwords: so many tries from one address on the network, and so many for one account, then
 * one more every so often.
 */
@Component
public class SignInThrottle extends OncePerRequestFilter {

    private static final int TRIES = 10;
    private static final Duration PER = Duration.ofMinutes(5);

    private final LoadingCache<String, Bucket> buckets = Caffeine.newBuilder()
            .maximumSize(100_000).expireAfterAccess(PER).build(who -> bucket());

    private static Bucket bucket() {
        return Bucket.builder().addLimit(limit -> limit.capacity(TRIES).refillGreedy(TRIES, PER)).build();
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !(request.getMethod().equals("POST") && request.getServletPath().equals("/sign-in"));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String account = String.valueOf(request.getParameter("email")).strip().toLowerCase(Locale.ROOT);
        boolean fromAddress = buckets.get("from " + request.getRemoteAddr()).tryConsume(1);
        boolean forAccount = buckets.get("for " + account).tryConsume(1);
        if (fromAddress && forAccount) {
            chain.doFilter(request, response);
        } else {
            response.sendRedirect("/sign-in?slow");
        }
    }

    /** It is part of Spring Security's chain and of no other. */
    @Configuration(proxyBeanMethods = false)
    static class NotOnItsOwn {

        @Bean
        FilterRegistrationBean<SignInThrottle> throttleOnlyInChain(SignInThrottle throttle) {
            FilterRegistrationBean<SignInThrottle> registration = new FilterRegistrationBean<>(throttle);
            registration.setEnabled(false);
            return registration;
        }
    }
}
