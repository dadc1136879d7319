package org.pressboard.wiring;

import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AuthorizeHttpRequestsConfigurer;

/**
 * Who may do what at the desk. Row editors see to rows; editors besides to drafts, and bring in files; everything else,
 * such as who may see what, what is published and who has an account, is the owner's.
 */
final class DeskRights {

    private static final String[] ROWS = {"/desk", "/desk/tables", "/desk/tables/*", "/desk/tables/*/rows",
        "/desk/tables/*/rows/**", "/desk/tables/*/waiting", "/desk/tables/*/narrow/*",
                "/desk/tables/*/pick/*", "/desk/tables/*/history",
        "/desk/tables/*/undo", "/desk/rows-of/*", "/desk/files/**", "/desk/files"};

    private static final String[] OWNERS_OF_DRAFTS = {"/desk/pages/*/publish", "/desk/pages/*/withdraw",
        "/desk/pages/*/place", "/desk/forms/*/*/question", "/desk/editions/*/*/put-back"};

    private static final String[] DRAFTS = {"/desk/forms", "/desk/forms/**", "/desk/pages", "/desk/pages/**", "/desk/parts/**",
            "/desk/proof/**", "/desk/seen/**",
        "/desk/editions/**", "/desk/indexes/*", "/desk/members/called", "/desk/intake", "/desk/intake/**"};

    private DeskRights() {
    }

    static void apply(AuthorizeHttpRequestsConfigurer<HttpSecurity>.AuthorizationManagerRequestMatcherRegistry requests) {
        requests.requestMatchers(HttpMethod.POST, "/desk/tables").hasRole("OWNER")
                .requestMatchers(ROWS).hasAnyRole("OWNER", "EDITOR", "ROW_EDITOR")
                .requestMatchers(OWNERS_OF_DRAFTS).hasRole("OWNER")
                .requestMatchers(DRAFTS).hasAnyRole("OWNER", "EDITOR")
                .requestMatchers("/desk/**").hasRole("OWNER");
    }
}
