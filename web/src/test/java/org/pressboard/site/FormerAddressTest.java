package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Opening;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** Whoever comes by an address that a page had before gets to where it is now, with what they asked for. */
class FormerAddressTest extends WithTables {

    private static final TableKey SKEPS = new TableKey("skeps");
    private static final FieldKey NAME = new FieldKey("name");

    @AfterEach
    void removeTheTable() {
        publisher.remove(SKEPS);
    }

    @Test
    void itLeadsOnWithWhatStandsBehindIt() {
        changes.make("Skeps", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER);
        editing.add(SKEPS, Map.of(NAME, Value.of("South {wall} 1")), OWNER);
        Listing skeps = Listing.plain(new ListingKey("skeps"), SKEPS, List.of(NAME));
        publish(new PageKey("skeps"), "Skeps", skeps.with(Opening.NONE.by(Opening.How.PAGE)), SKEPS);
        catalog.move(new PageKey("skeps"), new PageKey("straw-skeps"));
        assertThat(leads("/skeps?q=south+%7Bwall%7D&sort=-name")).isEqualTo("/straw-skeps?q=south+%7Bwall%7D&sort=-name");
        assertThat(leads("/skeps")).isEqualTo("/straw-skeps");
        assertThat(leads("/skeps/1?q=south")).isEqualTo("/straw-skeps/1?q=south");
        assertThat(get("/straw-skeps/1").body()).contains("South {wall} 1");
    }

    private String leads(String from) {
        return get(from).headers().firstValue("Location").map(to -> to.replace(address(""), "")).orElse("nowhere");
    }
}
