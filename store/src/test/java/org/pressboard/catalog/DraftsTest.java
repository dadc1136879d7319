package org.pressboard.catalog;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Suggestion;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

class DraftsTest extends StoreTest {

    @Autowired
    private Drafts drafts;

    private PageKey page() {
        Table table = tableWith(List.of());
        PageKey key = new PageKey("drafted-" + table.key().name().replace('_', '-'));
        Listing listing = Suggestion.forTable(table, new ListingKey(key.name()), field -> true);
        inTransaction(() -> catalog.addPage(new Page(key, "First", List.of(listing))));
        return key;
    }

    private String title(PageKey key) {
        return catalog.page(key).orElseThrow().draft().title();
    }

    @Test
    void stepsAreTakenBackTheLastFirstAndMadeAgain() {
        PageKey key = page();
        String before = drafts.mark(key);
        drafts.change(key, "mira", page -> page.titled("Second"));
        drafts.change(key, "tomas", page -> page.titled("Second")); // no step: nothing is otherwise
        drafts.change(key, "tomas", page -> page.titled("Third"));
        assertThat(drafts.steps(key, 10)).extracting(Drafts.Step::who).containsExactly("tomas", "mira");
        assertThat(drafts.mark(key)).isNotEqualTo(before);
        assertThat(drafts.undo(key).orElseThrow().before().title()).isEqualTo("Second");
        assertThat(title(key)).isEqualTo("Second");
        drafts.undo(key);
        assertThat(title(key)).isEqualTo("First");
        assertThat(drafts.mark(key)).isEqualTo(before);
        assertThat(drafts.undo(key)).isEmpty();
        drafts.redo(key);
        assertThat(title(key)).isEqualTo("Second");
        // another step now leaves nothing to make again
        drafts.change(key, "mira", page -> page.leading("Otherwise"));
        assertThat(drafts.redo(key)).isEmpty();
        assertThat(drafts.steps(key, 10)).hasSize(2).noneMatch(Drafts.Step::takenBack);
    }

    @Test
    void ofSeveralWhoChangeADraftAtOnceNoneLosesAnything() {
        PageKey key = page();
        Listing listing = catalog.page(key).orElseThrow().draft().listings().getFirst();
        Table table = catalog.table(listing.table()).orElseThrow();
        List<Field> fields = table.fields().all();
        CompletableFuture<?>[] all = fields.stream().map(field -> CompletableFuture.runAsync(() ->
                drafts.change(key, "mira", page -> page.changing(listing.key(), it -> it.with(
                        Suggestion.adding(it, field).show().changing(field.key(), shown ->
                                shown.labelled("My " + field.label()))))))).toArray(CompletableFuture[]::new);
        CompletableFuture.allOf(all).join();
        assertThat(catalog.page(key).orElseThrow().draft().listings().getFirst().show().fields())
                .hasSize(fields.size()).allMatch(shown -> shown.label().startsWith("My "));
        assertThat(drafts.steps(key, 100)).hasSize(fields.size());
    }

    @Test
    void stepsMoveWithTheirPageAndOnlySoManyAreKept() {
        PageKey key = page();
        IntStream.rangeClosed(1, Drafts.KEPT + 5).forEach(i -> drafts.change(key, "mira", page -> page.titled("T" + i)));
        assertThat(drafts.steps(key, 1_000)).hasSize(Drafts.KEPT);
        PageKey moved = new PageKey("moved-" + key.name());
        inTransaction(() -> catalog.move(key, moved));
        drafts.undo(moved);
        assertThat(title(moved)).isEqualTo("T" + (Drafts.KEPT + 4));
        assertThatThrownBy(() -> drafts.change(key, "mira", page -> page)).isInstanceOf(ProblemsFound.class);
    }
}
