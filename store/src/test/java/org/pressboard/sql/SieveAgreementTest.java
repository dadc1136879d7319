package org.pressboard.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.Rows;
import org.pressboard.sieve.Gate;
import org.pressboard.sieve.Sieve;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.springframework.beans.factory.annotation.Autowired;

/** What the sieve says of each row of a table, at each gate, is what becomes of the row. */
class SieveAgreementTest extends StoreTest {

    private static final long SEED = 20261130;
    private static final int ROUNDS = 150;
    /** Before the database whoever works at the desk, for it is the conditions that are tried, not the second lock. */
    private static final Visitor STAFF = Visitor.staff("mira@example.org");

    @Autowired
    private Rows rows;

    @Test
    void eachRowIsWhereTheSieveSaysItIs() {
        RandomGenerator random = Cases.random(SEED);
        List<Row> all = Cases.rows(random, 40);
        Table table = tableWith(all);
        for (int i = 0; i < ROUNDS; i++) {
            Condition allowed = Cases.condition(random, 1);
            Listing listing = Listing.plain(new ListingKey("sieved"), table.key(), table.fields().stream().map(Field::key).toList())
                    .keeping(Cases.condition(random, 2));
            Sight sight = new Sight(table, Tables.alone(table), Map.of(table.key(), allowed));
            RowQuery query = new RowQuery(sight, STAFF, Cases.MIRA, sight.asked(table.key()).and(listing.keep()),
                    Cases.condition(random, 1), List.of(), 1, 100, List.of());
            Sieve sieve = new Sieve(listing, query);
            List<Set<RowId>> passing = sieve.counted().stream().map(each -> rows.rows(each.first(100), ENGLISH).stream().map(Row::id)
                    .collect(Collectors.toSet())).toList();
            for (Row row : all) {
                Optional<Gate> stops = !passing.get(1).contains(row.id()) ? Optional.of(Gate.ALLOWED)
                        : !passing.get(2).contains(row.id()) ? Optional.of(Gate.KEPT)
                        : !passing.get(3).contains(row.id()) ? Optional.of(Gate.LEFT) : Optional.empty();
                assertThat(sieve.stops(row)).as("seed %d, round %d, row %d, %s", SEED, i, row.id(), listing.keep()).isEqualTo(stops);
                assertThat(passing.getFirst()).contains(row.id());
            }
        }
    }
}
