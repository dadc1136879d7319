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
import org.jspecify.annotations.Nullable;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AuthenticationFailureBadCredentialsEvent;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Slows down guessing of passwords: so many wrong ones from one address on the network, and so many for one account,
 * then one more every so often. Right ones cost nothing.
 */
@Component
public class SignInThrottle extends OncePerRequestFilter {

    private static final int TRIES_FOR_ACCOUNT = 10;
    private static final int TRIES_FROM_ADDRESS = 50;
    private static final Duration PER = Duration.ofMinutes(5);

    private final LoadingCache<String, Bucket> accounts = buckets(TRIES_FOR_ACCOUNT);
    private final LoadingCache<String, Bucket> addresses = buckets(TRIES_FROM_ADDRESS);

    private static LoadingCache<String, Bucket> buckets(int tries) {
        return Caffeine.newBuilder().maximumSize(100_000).expireAfterAccess(PER).build(who ->
                Bucket.builder().addLimit(limit -> limit.capacity(tries).refillGreedy(tries, PER)).build());
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !(request.getMethod().equals("POST") && request.getServletPath().equals("/sign-in"));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean mayTry = accounts.get(account(request.getParameter("email"))).getAvailableTokens() > 0
                && addresses.get(request.getRemoteAddr()).getAvailableTokens() > 0;
        if (mayTry) {
            chain.doFilter(request, response);
        } else {
            response.sendRedirect("/sign-in?slow");
        }
    }

    @EventListener
    void noteWrongPassword(AuthenticationFailureBadCredentialsEvent failure) {
        accounts.get(account(failure.getAuthentication().getName())).tryConsume(1);
        if (failure.getAuthentication().getDetails() instanceof WebAuthenticationDetails details) {
            addresses.get(details.getRemoteAddress()).tryConsume(1);
        }
    }

    private static String account(@Nullable String email) {
        return String.valueOf(email).strip().toLowerCase(Locale.ROOT);
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
