package org.pressboard.wiring;

import jakarta.servlet.http.HttpServletResponse;
import org.pressboard.catalog.Accounts;
import org.pressboard.drawing.Assets;
import org.pressboard.member.Members;
import org.pressboard.signin.AccountCheck;
import org.pressboard.signin.Browsers;
import org.pressboard.signin.AfterSignIn;
import org.pressboard.signin.KeptSignIns;
import org.pressboard.signin.LogBook;
import org.pressboard.signin.SignInThrottle;
import org.pressboard.signin.StandIn;
import org.pressboard.signin.UploadGuard;
import org.pressboard.visit.Caller;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.observation.SecurityObservationSettings;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer;
import org.springframework.security.config.annotation.web.configurers.RequestCacheConfigurer;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.AccessDeniedHandler;
import org.springframework.security.web.access.AccessDeniedHandlerImpl;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Who may ask for which addresses. What they then see of rows is for the grants to say. */
@Configuration(proxyBeanMethods = false)
class SecurityConfiguration {

    /** A take-away that is given up, by a name that only the page has that began it. */
    private static final String LEAVING = "/listings/carrying/*/leave";

    /** Nobody asks how long each filter takes; to note it takes longer than some. */
    @Bean
    static SecurityObservationSettings unobserved() {
        return SecurityObservationSettings.noObservations();
    }

    @Bean
    SecurityFilterChain filters(HttpSecurity http, SignInThrottle throttle, AfterSignIn afterSignIn,
            Accounts accounts, Members members, Browsers browsers, StandIn standIn, LogBook log,
            UploadGuard.Places uploads, KeptSignIns kept) {
        return http
                .securityContext(contexts -> contexts.securityContextRepository(kept))
                .authorizeHttpRequests(DeskRights::apply)
                .authorizeHttpRequests(requests -> requests
                        .requestMatchers("/members/**").authenticated()
                        .requestMatchers("/actuator/health/**").permitAll()
                        .requestMatchers("/actuator/**").hasRole("OWNER")
                        .requestMatchers(HttpMethod.GET, "/**").permitAll()
                        .requestMatchers(HttpMethod.HEAD, "/**").permitAll()
                        .requestMatchers(HttpMethod.POST, "/listings/*/rows/add", "/listings/*/rows/*/change",
                                "/listings/*/rows/several", "/listings/*/rows/*/remove", "/listings/*/rows/*/value/*",
                                        "/listings/*/rows/*/do/*", "/listings/*/undo", "/*/send/*", "/*/send/*/asked", LEAVING)
                                        .permitAll()
                        .requestMatchers("/sign-in", "/sign-in/*", "/sign-out", "/welcome", "/error").permitAll()
                        .anyRequest().denyAll())
                .formLogin(form -> form.loginPage("/sign-in").usernameParameter("email")
                        .successHandler(afterSignIn).failureHandler(afterSignIn))
                .exceptionHandling(failures -> failures.authenticationEntryPoint(afterSignIn)
                        .accessDeniedHandler(notingRefusals(log)))
                .logout(out -> out.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?out"))
                .requestCache(RequestCacheConfigurer::disable)
                .csrf(csrf -> csrf.csrfTokenRepository(formTokens()).ignoringRequestMatchers(LEAVING))
                .addFilterAfter(new AccountCheck(accounts, members, browsers, standIn),
                        SecurityContextHolderFilter.class)
                .addFilterBefore(new UploadGuard(uploads), CsrfFilter.class)
                .addFilterBefore(throttle, UsernamePasswordAuthenticationFilter.class)
                .headers(headers -> headers
                        .frameOptions(HeadersConfigurer.FrameOptionsConfig::disable)
                        .addHeaderWriter(new FramePolicy())
                        .referrerPolicy(policy -> policy.policy(ReferrerPolicy.SAME_ORIGIN))
                        .permissionsPolicyHeader(policy ->
                                policy.policy("camera=(), microphone=(), geolocation=(), payment=(), usb=()")))
                .build();
    }

    /** Members at the desk, editors where only the owner may be, and forms without their token. */
    private static AccessDeniedHandler notingRefusals(LogBook log) {
        AccessDeniedHandlerImpl refuse = new AccessDeniedHandlerImpl();
        return (request, response, refused) -> {
            log.refused(Caller.of(request), request.getMethod() + " " + request.getRequestURI());
            refuse.handle(request, response, refused);
        };
    }

    /** In a cookie, so that a form can be shown to people of whom nothing is kept. */
    private static CookieCsrfTokenRepository formTokens() {
        CookieCsrfTokenRepository tokens = new CookieCsrfTokenRepository();
        tokens.setCookieName("pressboard-form");
        tokens.setCookieCustomizer(cookie -> cookie.httpOnly(true).sameSite("Lax").path("/"));
        return tokens;
    }

    /** What the firewall refuses, such as a path with a semicolon, gets a page like everything else. */
    @Bean
    RequestRejectedHandler rejectedHandler(Assets assets) {
        return (request, response, refused) -> new RefusedPage(assets).write(response, HttpServletResponse.SC_BAD_REQUEST);
    }

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }
}
