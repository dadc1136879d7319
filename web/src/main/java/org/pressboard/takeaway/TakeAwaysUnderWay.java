package org.pressboard.takeaway;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Optional;
import java.util.regex.Pattern;
import org.pressboard.bulk.Carrying;

/** What is being carried away and watched on the way, by names that those who watch it give it themselves. */
final class TakeAwaysUnderWay {

    private static final Pattern NAME = Pattern.compile("[0-9a-f-]{36}");
    private static final Duration PATIENCE = Duration.ofSeconds(90);

    private final Cache<String, Carrying> all = Caffeine.newBuilder().maximumSize(1_000)
            .expireAfterAccess(PATIENCE.multipliedBy(2)).build();

    /** @param name empty: nobody watches it */
    Carrying begin(String name) {
        return NAME.matcher(name).matches() ? all.get(name, each -> new Carrying(PATIENCE)) : Carrying.UNWATCHED;
    }

    Optional<Carrying> find(String name) {
        return Optional.ofNullable(all.getIfPresent(name));
    }
}
