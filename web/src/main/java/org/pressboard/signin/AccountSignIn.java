package org.pressboard.signin;

import org.pressboard.catalog.Accounts;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Component;

/** Finds accounts for Spring Security. */
@Component
class AccountSignIn implements UserDetailsService {

    private final Accounts accounts;

    AccountSignIn(Accounts accounts) {
        this.accounts = accounts;
    }

    @Override
    public UserDetails loadUserByUsername(String email) {
        return accounts.find(email).map(SignedIn::new)
                .orElseThrow(() -> new UsernameNotFoundException("no such account"));
    }
}
