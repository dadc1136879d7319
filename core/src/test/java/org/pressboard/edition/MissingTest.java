package org.pressboard.edition;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;

class MissingTest {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey ROW = new FieldKey("bed");
    private static final FieldKey GONE = new FieldKey("gone");
    private static final Table BEDS = new Table(new TableKey("beds"), "Beds", new Fields(List.of(
            new Field(NAME, "Name", new Textual.Text()))));
    private static final Table PLANTS = new Table(new TableKey("plants"), "Plants", new Fields(List.of(
            new Field(NAME, "Name", new Textual.Text()), new Field(ROW, "Bed", new Referring.Reference(BEDS.key(), Referring.OnRemoval.CLEAR)))));
    private static final Tables TABLES = Tables.of(List.of(BEDS, PLANTS));
    private static final Listing LISTING = Listing.plain(new ListingKey("plants"), PLANTS.key(), List.of(NAME, ROW));

    private static Map<TableKey, Set<FieldKey>> missing(Listing listing, Form... forms) {
        return new Page(new PageKey("plants"), "Plants", List.of(listing)).holding(List.of(forms)).missing(TABLES);
    }

    @Test
    void nothingIsWhereAllFieldsAre() {
        assertThat(missing(LISTING.keeping(Condition.isEmpty(ROW.through(NAME))))).isEmpty();
    }

    @Test
    void aFieldOfAnotherTableIsMissedThere() {
        assertThat(missing(LISTING.keeping(Condition.isEmpty(ROW.through(GONE))))).isEqualTo(Map.of(BEDS.key(), Set.of(GONE)));
        assertThat(missing(LISTING.keeping(Condition.isEmpty(GONE.through(NAME))))).isEqualTo(Map.of(PLANTS.key(), Set.of(GONE)));
    }

    @Test
    void aFormIsAboutFieldsToo() {
        Form form = Form.plain(new FormKey("new"), BEDS.key(), "New bed").asking(List.of(Question.of(NAME),
                Question.of(GONE)));
        assertThat(missing(LISTING, form)).isEqualTo(Map.of(BEDS.key(), Set.of(GONE)));
    }
}
