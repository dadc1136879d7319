package org.pressboard.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.TakeAway;
import org.pressboard.table.Fields;

class DefinitionsTest {

    @Test
    void conditionsSurviveBeingKept() {
        RandomGenerator random = RandomGenerator.of("L64X128MixRandom");
        for (int i = 0; i < 200; i++) {
            Condition condition = Cases.condition(random, 3);
            assertThat(Definitions.read(Definitions.write(condition), Condition.class)).isEqualTo(condition);
        }
    }

    @Test
    void fieldsSurviveBeingKept() {
        assertThat(Definitions.read(Definitions.write(Cases.TABLE.fields()), Fields.class))
                .isEqualTo(Cases.TABLE.fields());
    }

    /** What a release has once written, every later one must read: this text is never changed, only joined by others. */
    @Test
    void pagesOfTheFirstFormAreRead() {
        String kept = """
                {"version":1,"page":{"key":"apples","title":"Apples","listings":[{"key":"apples","table":"apples",
                "keep":{"is":"compare","field":"use","operator":"EQUALS","operand":{"from":"fixed",
                "value":{"kind":"text","text":"Cider"}}},"show":["name","use"],"search":["name"],"narrow":["use"],
                "order":[{"field":"name","descending":true}],"pageSize":25,"takeAway":true}]}}""";
        Condition cider = Condition.compare(Cases.USE, org.pressboard.condition.Operator.EQUALS,
                org.pressboard.value.Value.of("Cider"));
        Page page = new Page(new PageKey("apples"), "Apples", List.of(Listing.plain(new ListingKey("apples"),
                Cases.TABLE.key(), List.of(Cases.NAME, Cases.USE)).keeping(cider)
                .with(Finding.by(List.of(Cases.NAME), List.of(Cases.USE)))
                .with(Ordering.by(List.of(SortBy.down(Cases.NAME)))).takenAwayAs(Set.of(TakeAway.CSV, TakeAway.JSON))));
        assertThat(KeptForm.PAGE.read(kept)).isEqualTo(page);
        assertThat(KeptForm.PAGE.read(KeptForm.PAGE.write(page))).isEqualTo(page);
    }
}
