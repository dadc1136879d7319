package org.pressboard.signin;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;

/** What each of many may do so often in a while; those not heard of for that long are forgotten. */
final class Buckets {

    private static final int MOST_KNOWN = 100_000;

    private Buckets() {
    }

    static LoadingCache<String, Bucket> of(int often, Duration per) {
        return Caffeine.newBuilder().maximumSize(MOST_KNOWN).expireAfterAccess(per).build(who ->
                Bucket.builder().addLimit(limit -> limit.capacity(often).refillGreedy(often, per)).build());
    }
}
