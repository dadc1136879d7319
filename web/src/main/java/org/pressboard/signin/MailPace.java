package org.pressboard.signin;

import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import org.pressboard.network.Networks;
import org.pressboard.value.MailAddress;
import org.springframework.stereotype.Component;

/**
 * How many letters strangers may cause: few to one person, so that nobody's letter box is filled, and not too many from
 * one network.
 */
@Component
public class MailPace {

    private static final int TO_ONE = 5;
    private static final int FROM_NETWORK = 30;
    private static final Duration PER = Duration.ofHours(1);

    private final LoadingCache<String, Bucket> recipients = Buckets.of(TO_ONE, PER);
    private final LoadingCache<String, Bucket> networks = Buckets.of(FROM_NETWORK, PER);

    /** Whether so many letters were not asked for from that address on the network. */
    boolean maySend(String networkAddress) {
        return networks.get(Networks.of(networkAddress)).tryConsume(1);
    }

    /** Whether this person has not had so many, however their address is written; nobody but they may learn of it. */
    public boolean mayReceive(String email) {
        return recipients.get(MailAddress.box(email)).tryConsume(1);
    }
}
