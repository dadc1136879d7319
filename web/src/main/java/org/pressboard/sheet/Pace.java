package org.pressboard.sheet;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.time.Duration;
import org.springframework.stereotype.Component;

/**
 * How often one address on the network may ask for what must be read from the database: many times at once, and then
 * as fast as people search. What is known anyway, because nothing has changed, costs nothing.
 */
@Component
public class Pace {

    /** What a page of rows costs. */
    public static final int PAGE = 1;

    /** What a count to the end costs. */
    public static final int COUNT = 5;

    /** What all rows cost. */
    public static final int TAKE_AWAY = 20;

    static final int AT_ONCE = 200;
    private static final int PER_SECOND = 20;
    private static final Duration FORGOTTEN_AFTER = Duration.ofSeconds(AT_ONCE / PER_SECOND);

    private final LoadingCache<String, Bucket> buckets = Caffeine.newBuilder().maximumSize(100_000)
            .expireAfterAccess(FORGOTTEN_AFTER).build(who -> Bucket.builder().addLimit(limit ->
                    limit.capacity(AT_ONCE).refillGreedy(PER_SECOND, Duration.ofSeconds(1))).build());

    /** @throws TooOften when that address has asked for too much lately */
    public void spend(String networkAddress, int cost) {
        ConsumptionProbe probe = buckets.get(networkAddress).tryConsumeAndReturnRemaining(cost);
        if (!probe.isConsumed()) {
            throw new TooOften(1 + Duration.ofNanos(probe.getNanosToWaitForRefill()).toSeconds());
        }
    }
}
