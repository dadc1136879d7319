package org.pressboard.sieve;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Phrase;
import org.pressboard.grant.Sight;
import org.pressboard.listing.Listing;
import org.pressboard.listing.RowQuery;
import org.pressboard.value.Row;

/**
 * The gates of a listing, for whoever looks and what they seek.
 *
 * <pre>{@code
 * Sieve sieve = new Sieve(listing, query);
 * Optional<Gate> stopped = sieve.stops(row);
 * }</pre>
 *
 * @param query the row query of the listing; what its sight says is what the visitor may see
 */
public record Sieve(Listing listing, RowQuery query) {

    /** The gate that stops the row; empty where it is in the list, on whatever page of it. */
    public Optional<Gate> stops(Row row) {
        if (!query.sight().rows(listing.table()).holds(row, query.standpoint())) {
            return Optional.of(Gate.ALLOWED);
        }
        if (!holds(listing.keep(), row)) {
            return Optional.of(Gate.KEPT);
        }
        return holds(query.sought(), row) ? Optional.empty() : Optional.of(Gate.LEFT);
    }

    /** Of what the visitor sees of the row. */
    private boolean holds(Condition condition, Row row) {
        return condition.holds(query.sight().seen(row, query.standpoint()).orElse(row), query.standpoint());
    }

    /** The parts of what the ticket keeps that are not so of the row; of parts of which one would do, all of them. */
    public List<Condition> unmet(Row row) {
        Phrase.Group keep = Phrase.read(listing.keep());
        if (keep.mode() != Phrase.Mode.ALL) {
            return holds(listing.keep(), row) ? List.of() : List.of(listing.keep());
        }
        return keep.phrases().stream().map(Phrase::condition)
                .filter(part -> !holds(part, row)).toList();
    }

    /**
     * The queries that tell how many rows pass each gate, those of one page apart: all but the last are the same for
     * every state of the address bar.
     */
    public List<RowQuery> counted() {
        List<RowQuery> counted = new ArrayList<>();
        counted.add(of(query.sight().seeing(Condition.ALWAYS), Condition.ALWAYS));
        counted.add(of(query.sight(), query.sight().asked(listing.table())));
        counted.add(of(query.sight(), query.within()));
        counted.add(query);
        return counted;
    }

    private RowQuery of(Sight sight, Condition within) {
        return new RowQuery(sight, query.visitor(), query.standpoint(), within, Condition.ALWAYS, List.of(), 1, query.size(),
                List.of());
    }
}
