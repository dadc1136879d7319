package org.pressboard.listing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;

class SuggestionTest {

    private static final ListingKey KEY = new ListingKey("hives");

    private static Table table(int fields) {
        return new Table(new TableKey("hives"), "Hives", new Fields(IntStream.range(0, fields)
                .mapToObj(i -> new Field(new FieldKey("f" + i), "F" + i, new Textual.Text())).toList()));
    }

    private static Listing suggested(int fields) {
        return Suggestion.forTable(table(fields), KEY, field -> false);
    }

    @Test
    void aRowIsOpenedWhereTheListShowsLessThanThereIs() {
        assertThat(suggested(8).opening()).isEqualTo(Opening.NONE);
        Listing wide = suggested(11);
        assertThat(wide.shown()).hasSize(8);
        assertThat(wide.opening().how().hasAddress()).isTrue();
        assertThat(wide.opened()).hasSize(11);
    }

    @Test
    void aFieldJoinsWhereNobodyHasChosenYet() {
        Field year = new Field(new FieldKey("year"), "Year", new Numeric.WholeNumber(false));
        assertThat(Suggestion.joining(suggested(3), table(3).fields(), year).shown()).contains(year.key()).hasSize(4);
        Listing full = Suggestion.joining(suggested(8), table(8).fields(), year);
        assertThat(full.shown()).hasSize(8).doesNotContain(year.key());
        assertThat(full.opened()).extracting(Shown::field).contains(year.key()).hasSize(9);
        Listing chosen = suggested(3).with(suggested(3).show().without(new FieldKey("f1")));
        assertThat(Suggestion.joining(chosen, table(3).fields(), year)).isEqualTo(chosen);
        Field notes = new Field(new FieldKey("notes"), "Notes", new Textual.LongText());
        Listing lengthy = Suggestion.joining(suggested(3), table(3).fields(), notes);
        assertThat(lengthy.shown()).hasSize(3);
        assertThat(lengthy.opened()).extracting(Shown::field).contains(notes.key());
    }

    @Test
    void whatIsHiddenFromTheListStaysOnTheOpenedRow() {
        Listing listing = suggested(3).with(Opening.NONE.by(Opening.How.PAGE));
        assertThat(listing.opening().keeping(listing.show().fields()).fields()).hasSize(3);
        assertThat(Opening.NONE.keeping(listing.show().fields())).isEqualTo(Opening.NONE);
    }

    @Test
    void inAFormWithBoxesEachSearchedFieldHasOneAndThereIsNoneForAll() {
        Table table = new Table(new TableKey("hives"), "Hives", new Fields(List.of(new Field(new FieldKey("name"), "Name",
                new Textual.Text()), new Field(new FieldKey("state"), "State", Chosen.Choice.of(List.of("full"))))));
        Listing bar = Suggestion.forTable(table, KEY, field -> false);
        Listing boxes = Suggestion.asking(bar, table.fields(), Finding.SearchForm.BOXES);
        assertThat(boxes.find().search()).isEmpty();
        assertThat(boxes.find().narrow()).extracting(FieldKey::name).containsExactly("name", "state");
        Listing searched = boxes.with(boxes.find().searching(List.of(new FieldKey("name"))));
        assertThat(Suggestion.asking(searched, table.fields(), Finding.SearchForm.BOXES_FIRST).find().search()).hasSize(1);
        Finding back = Suggestion.asking(boxes, table.fields(), Finding.SearchForm.BAR).find();
        assertThat(back.search()).isEqualTo(bar.find().search());
        assertThat(back.narrow()).isEqualTo(bar.find().narrow());
    }
}
