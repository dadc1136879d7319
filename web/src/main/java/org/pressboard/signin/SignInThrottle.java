package org.pressboard.signin;

import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.pressboard.catalog.Accounts;
import org.pressboard.network.Networks;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AuthenticationSuccessEvent;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Slows down guessing of passwords. A try costs before it is looked at, so that many at once are no more than one after
 * the other; right ones are given back. What is slowed is an account from one network, so that a stranger elsewhere does
 * not lock anybody out; for the account alone the bound is wider.
 */
@Component
public class SignInThrottle extends OncePerRequestFilter {

    private static final int TRIES_FOR_ACCOUNT_FROM_NETWORK = 10;
    private static final int TRIES_FOR_ACCOUNT = 100;
    private static final int TRIES_FROM_ADDRESS = 50;
    private static final Duration PER = Duration.ofMinutes(5);
    private static final Pattern CONTROL = Pattern.compile("\\p{Cntrl}");

    private final LoadingCache<String, Bucket> accountsFromNetworks = Buckets.of(TRIES_FOR_ACCOUNT_FROM_NETWORK, PER);
    private final LoadingCache<String, Bucket> accounts = Buckets.of(TRIES_FOR_ACCOUNT, PER);
    private final LoadingCache<String, Bucket> addresses = Buckets.of(TRIES_FROM_ADDRESS, PER);

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !(request.getMethod().equals("POST") && request.getServletPath().equals("/sign-in"));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String email = String.valueOf(request.getParameter("email"));
        if (CONTROL.matcher(email).find()) {
            response.sendRedirect("/sign-in?failed");
        } else if (spend(Accounts.normal(email), request.getRemoteAddr())) {
            chain.doFilter(request, response);
        } else {
            response.sendRedirect("/sign-in?slow");
        }
    }

    /** Takes a try; false when there were too many. */
    boolean spend(String account, String address) {
        List<Bucket> spent = new ArrayList<>();
        for (Bucket bucket : buckets(account, address)) {
            if (!bucket.tryConsume(1)) {
                spent.forEach(each -> each.addTokens(1));
                return false;
            }
            spent.add(bucket);
        }
        return true;
    }

    private List<Bucket> buckets(String account, String address) {
        return List.of(accountsFromNetworks.get(account + " from " + Networks.of(address)), accounts.get(account),
                addresses.get(address));
    }

    @EventListener
    void giveBack(AuthenticationSuccessEvent success) {
        if (success.getAuthentication().getDetails() instanceof WebAuthenticationDetails details) {
            giveBack(Accounts.normal(success.getAuthentication().getName()), details.getRemoteAddress());
        }
    }

    void giveBack(String account, String address) {
        buckets(account, address).forEach(bucket -> bucket.addTokens(1));
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
