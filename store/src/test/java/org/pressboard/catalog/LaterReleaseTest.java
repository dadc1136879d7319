package org.pressboard.catalog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Suggestion;
import org.pressboard.table.Table;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

/** Of what a later release has written on another node, one thing is left out, and everything else is served. */
class LaterReleaseTest extends StoreTest {

    @Autowired
    private Drafts drafts;

    private PageKey published(Table table) {
        PageKey key = new PageKey("later-" + table.key().name().replace('_', '-'));
        inTransaction(() -> catalog.addPage(new Page(key, "Plants", List.of(Suggestion.forTable(table, new ListingKey(key.name()),
                field -> true)))));
        inTransaction(() -> catalog.publish(key, null));
        return key;
    }

    private List<PageKey> shown() {
        return catalog.publishedNow().editions().stream().map(Edition::page).map(Page::key).toList();
    }

    @Test
    void aPageThatCannotBeReadIsSaidToBeAndOthersStay() {
        PageKey newer = published(tableWith(List.of()));
        PageKey other = published(tableWith(List.of()));
        DATABASE.execute("update pressboard.edition set content = jsonb_set(content::jsonb, '{version}', '99') where page_key = '"
                + newer + "'");
        assertThat(shown()).contains(other).doesNotContain(newer);
        assertThat(catalog.publishedNow().newer()).containsExactly(newer);
        assertThat(catalog.pages()).containsKey(other).doesNotContainKey(newer);
        assertThat(catalog.drafts()).extracting(Page::key).contains(other, newer);
        DATABASE.execute("update pressboard.page set draft = jsonb_set(draft::jsonb, '{version}', '99') where key = '" + newer + "'");
        assertThat(catalog.drafts()).extracting(Page::key).contains(other).doesNotContain(newer);
        // nothing of it is written by a release that cannot read it
        assertThatThrownBy(() -> drafts.change(newer, "mira", page -> page.titled("Otherwise"))).isInstanceOf(NewerForm.class);
        DATABASE.execute("delete from pressboard.edition where page_key = '" + newer + "'; delete from pressboard.page where key = '"
                + newer + "'");
    }

    @Test
    void ofATableThatCannotBeReadNothingIsShown() {
        Table table = tableWith(List.of());
        PageKey page = published(table);
        PageKey other = published(tableWith(List.of()));
        DATABASE.execute("update pressboard.hosted_table set definition = jsonb_set(definition::jsonb, '{version}', '99') "
                + "where key = '" + table.key() + "'");
        assertThat(shown()).contains(other).doesNotContain(page);
        DATABASE.execute("update pressboard.hosted_table set definition = jsonb_set(definition::jsonb, '{version}', '1') "
                + "where key = '" + table.key() + "'");
        assertThat(shown()).contains(other, page);
    }
}
