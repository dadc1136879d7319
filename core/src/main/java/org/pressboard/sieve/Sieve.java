package org.pressboard.sieve;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Phrase;
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
        if (!listing.keep().holds(row, query.standpoint())) {
            return Optional.of(Gate.KEPT);
        }
        return query.sought().holds(row, query.standpoint()) ? Optional.empty() : Optional.of(Gate.LEFT);
    }

    /** The parts of what the ticket keeps that are not so of the row; of parts of which one would do, all of them. */
    public List<Condition> unmet(Row row) {
        Phrase.Group keep = Phrase.read(listing.keep());
        if (keep.mode() != Phrase.Mode.ALL) {
            return listing.keep().holds(row, query.standpoint()) ? List.of() : List.of(listing.keep());
        }
        return keep.phrases().stream().map(Phrase::condition)
                .filter(part -> !part.holds(row, query.standpoint())).toList();
    }

    /**
     * The queries that tell how many rows pass each gate, those of one page apart: all but the last are the same for
     * every state of the address bar.
     */
    public List<RowQuery> counted() {
        Function<Condition, RowQuery> of = within -> new RowQuery(query.sight(), query.visitor(), query.standpoint(), within,
                Condition.ALWAYS, List.of(), 1, query.size(), List.of());
        List<RowQuery> counted = new ArrayList<>();
        counted.add(of.apply(Condition.ALWAYS));
        counted.add(of.apply(query.sight().rows(listing.table())));
        counted.add(of.apply(query.within()));
        counted.add(query);
        return counted;
    }
}
