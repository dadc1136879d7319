package org.pressboard.log;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * One thing in the log.
 *
 * @param account whose account; {@code null}: nobody was signed in
 * @param who     what they are called, or the address that was tried
 * @param origin  their address on the network
 * @param about   what it was about, such as a page or a table; may be empty
 */
public record Logged(long id, Instant at, What what, @Nullable Long account, String who, String origin, String about) {

    /** What is remembered. */
    public enum What {
        SIGNED_IN, SIGN_IN_FAILED, SIGNED_OUT, LINK_SENT, JOINED, PASSWORD_CHANGED, LEFT_EVERYWHERE, INVITED, INVITATION_WITHDRAWN,
        ROLE_CHANGED,
        ACCOUNT_REMOVED, GRANTS_CHANGED, GROUP_CHANGED, SITE_CHANGED, PUBLISHED, WITHDRAWN, PAGE_REMOVED, PUT_BACK, TAKEN_AWAY,
        REFUSED, STOOD_IN, LEFT_ONE
    }
}
