package org.pressboard.sieve;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowQuery;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

class SieveTest {

    private static final long SEED = 23;
    private static final Condition CIDER = Condition.compare(Cases.USE, Operator.EQUALS, Value.of("Cider"));
    private static final Condition RARE = Condition.compare(Cases.RARE, Operator.EQUALS, Value.of(true));

    private static Sieve sieve(Condition allowed, Condition keep, String searched) {
        Listing listing = Listing.plain(new ListingKey("apples"), Cases.TABLE.key(), List.of(Cases.NAME)).keeping(keep)
                .with(Finding.by(List.of(Cases.NAME), List.of()));
        return new Sieve(listing, RowQuery.of(listing, Sight.of(Cases.TABLE).seeing(allowed), Visitor.ANYONE,
                RequestState.startOf(listing).withSearch(searched), Cases.NOBODY));
    }

    private static Row row(String use, boolean rare, String name) {
        return Row.of(new RowId(1), Map.of(Cases.USE, Value.of(use), Cases.RARE, Value.of(rare), Cases.NAME, Value.of(name)));
    }

    @Test
    void aRowIsStoppedByTheFirstGateThatItDoesNotPass() {
        Sieve sieve = sieve(RARE, CIDER, "hollin");
        assertThat(sieve.stops(row("Eating", false, "Rook"))).contains(Gate.ALLOWED);
        assertThat(sieve.stops(row("Eating", true, "Rook"))).contains(Gate.KEPT);
        assertThat(sieve.stops(row("Cider", true, "Rook"))).contains(Gate.LEFT);
        assertThat(sieve.stops(row("Cider", true, "Hollin Codlin"))).isEmpty();
    }

    @Test
    void whatIsNotSoIsNamedPartByPart() {
        Condition both = new Condition.All(List.of(CIDER, RARE));
        assertThat(sieve(Condition.ALWAYS, both, "").unmet(row("Eating", true, "Rook"))).containsExactly(CIDER);
        assertThat(sieve(Condition.ALWAYS, both, "").unmet(row("Eating", false, "Rook"))).containsExactly(CIDER, RARE);
        Condition either = new Condition.Any(List.of(CIDER, RARE));
        assertThat(sieve(Condition.ALWAYS, either, "").unmet(row("Eating", false, "Rook"))).containsExactly(either);
        assertThat(sieve(Condition.ALWAYS, either, "").unmet(row("Cider", false, "Rook"))).isEmpty();
    }

    @Test
    void whatPassesEachGateIsWhatTheCountsCount() {
        RandomGenerator random = Cases.random(SEED);
        List<Row> rows = Cases.rows(random, 60);
        for (int i = 0; i < 200; i++) {
            Sieve sieve = sieve(Cases.condition(random, 1), Cases.condition(random, 2), random.nextBoolean() ? "" : "a");
            List<Long> counted = sieve.counted().stream().map(query -> (long) query.matching(rows).size()).toList();
            assertThat(counted).as("seed " + SEED).containsExactly(60L, passing(sieve, rows, Gate.ALLOWED),
                    passing(sieve, rows, Gate.KEPT), passing(sieve, rows, Gate.LEFT));
        }
    }

    private static long passing(Sieve sieve, List<Row> rows, Gate gate) {
        return rows.stream().filter(row -> sieve.stops(row).filter(stop -> stop.compareTo(gate) <= 0).isEmpty()).count();
    }
}
