package org.pressboard.desk.publish;

import java.util.List;
import java.util.Optional;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.grant.Openness;
import org.pressboard.listing.Listing;
import org.pressboard.table.Table;

/**
 * What stands beside a page's Publish button: what visitors get now, and who may see the rows of its tables.
 *
 * @param draft  the page as it would be published
 * @param shown  the edition that visitors get; 0: the page is not published
 * @param tables those of its listings, each once; without those in the bin
 */
public record Publishing(Page draft, int shown, boolean hasChanges, List<TableOnPage> tables) {

    /**
     * A table of a page, and who may see its rows.
     *
     * @param chosen empty while nobody has said
     * @param said   the same in words, where grants say more than can be chosen here
     */
    public record TableOnPage(Table table, Openness openness, String chosen, String said) {
    }

    static Publishing of(PublishedSite site, Page draft, PublishedWords words) {
        Optional<Edition> edition = site.edition(draft.key());
        return new Publishing(draft, edition.map(Edition::number).orElse(0),
                edition.filter(shown -> shown.page().equals(draft)).isEmpty(),
                draft.listings().stream().map(Listing::table).distinct().flatMap(key -> site.tables().find(key).stream())
                        .map(table -> on(edition.isPresent(), table, site.openness(table.key()), words)).toList());
    }

    /** That nobody may see a table is not chosen before the page is published so. */
    private static TableOnPage on(boolean isPublished, Table table, Openness openness, PublishedWords words) {
        boolean isOpen = openness == Openness.NOBODY && !isPublished;
        return new TableOnPage(table, openness, isOpen ? "" : openness.name(),
                openness == Openness.AS_GRANTED ? words.seen(table.key()) : "");
    }

    public boolean isPublished() {
        return shown > 0;
    }

    /** Those of which somebody has yet to say who sees their rows. */
    public List<TableOnPage> undecided() {
        return tables.stream().filter(table -> table.chosen().isEmpty()).toList();
    }
}
