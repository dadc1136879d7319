package org.pressboard.catalog;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.listing.Listing;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;

/**
 * A page as the desk sees it: its draft and its editions, newest first.
 *
 * @param shown the number of the edition that visitors get; {@code null}: the page is not published
 */
public record DraftedPage(Page draft, List<Edition> editions, @Nullable Integer shown) {

    public DraftedPage {
        editions = List.copyOf(editions);
    }

    /** Whether a listing of the draft is of that table. */
    public boolean lists(TableKey table) {
        return draft.listings().stream().anyMatch(listing -> listing.table().equals(table));
    }

    /** The listings of the draft whose tables are among these, and so not in the bin. */
    public Stream<Listing> listingsAmong(Tables tables) {
        return draft.listings().stream().filter(listing -> tables.find(listing.table()).isPresent());
    }

    /** What visitors get, where the page is published. */
    public Optional<Page> given() {
        return Optional.ofNullable(shown).flatMap(this::edition).map(Edition::page);
    }

    /** The edition of that number, where there is one. */
    public Optional<Edition> edition(int number) {
        return editions.stream().filter(edition -> edition.number() == number).findFirst();
    }

    public boolean isPublished() {
        return shown != null;
    }

    /** Whether publishing would change what visitors get. */
    public boolean hasChanges() {
        return given().filter(draft::equals).isEmpty();
    }
}
