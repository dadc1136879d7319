package org.pressboard.pace;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.time.Duration;
import java.util.function.Supplier;
import org.pressboard.network.Networks;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.turn.Busy;
import org.pressboard.rows.Mishap;
import org.pressboard.turn.Turns;
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

    /** What a row costs that is added, changed or removed. */
    public static final int WRITE = 10;

    /** What all rows cost. */
    public static final int TAKE_AWAY = 20;

    static final int AT_ONCE = 200;
    private static final int PER_SECOND = 20;
    private static final Duration FORGOTTEN_AFTER = Duration.ofSeconds(AT_ONCE / PER_SECOND);

    /** So many readings of one address go on at once; a page asks for one or two. Of whoever asks for very much, one. */
    private static final int READ_AT_ONCE = 3;
    private static final int LITTLE_LEFT = AT_ONCE / 2;
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(5);

    private static final int WRITE_AT_ONCE = 6;
    private static final Duration LONGEST_WAIT_TO_WRITE = Duration.ofSeconds(20);

    private final Turns writing = new Turns(WRITE_AT_ONCE);
    private final LoadingCache<String, Turns> turns = Caffeine.newBuilder().weakValues()
            .build(who -> new Turns(READ_AT_ONCE));
    private final LoadingCache<String, Turns> oneByOne = Caffeine.newBuilder().weakValues().build(who -> new Turns(1));
    private final LoadingCache<String, Bucket> buckets = Caffeine.newBuilder().maximumSize(100_000)
            .expireAfterAccess(FORGOTTEN_AFTER).build(who -> Bucket.builder().addLimit(limit ->
                    limit.capacity(AT_ONCE).refillGreedy(PER_SECOND, Duration.ofSeconds(1))).build());

    /**
     * Does what reads from the database for that address: few things at once, the others after them.
     *
     * @throws TooOften when so many are under way for long
     */
    public <T> T inTurn(String networkAddress, Supplier<T> work) {
        String who = Networks.subscriber(networkAddress);
        boolean isMuch = buckets.get(who).getAvailableTokens() < LITTLE_LEFT;
        try {
            return (isMuch ? oneByOne : turns).get(who).take(LONGEST_WAIT, work);
        } catch (Busy others) {
            throw new TooOften(others.comeBackIn().toSeconds());
        }
    }

    /**
     * Writes to the database: a few at once, of all who do, for who waits for a row that others hold keeps a connection
     * meanwhile; those behind them wait without one.
     *
     * @throws Busy          when there is no turn for long
     * @throws ProblemsFound when something is against it, or goes wrong; nothing was changed then
     */
    public <T> T writing(Supplier<T> work) {
        return writing.take(LONGEST_WAIT_TO_WRITE, () -> Mishap.told(work));
    }

    /** @throws TooOften when that address has asked for too much lately */
    public void spend(String networkAddress, int cost) {
        ConsumptionProbe probe = buckets.get(Networks.subscriber(networkAddress)).tryConsumeAndReturnRemaining(cost);
        if (!probe.isConsumed()) {
            throw new TooOften(1 + Duration.ofNanos(probe.getNanosToWaitForRefill()).toSeconds());
        }
    }
}
