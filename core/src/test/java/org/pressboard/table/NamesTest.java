package org.pressboard.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.value.FieldKey;

class NamesTest {

    @ParameterizedTest
    @CsvSource({
        "Picked last year (kg),picked_last_year_kg",
        "Gepflückt am,gepflueckt_am",
        "Straße,strasse",
        "Ñandú,nandu",
        "2024,field_2024",
        "日本,field",
        "row_id,row_id_2",
        "ctid,ctid_2",
        "%,field"})
    void labelsBecomeReadableKeys(String label, String key) {
        assertThat(FieldKey.from(label, Set.of()).name()).isEqualTo(key);
    }

    @Test
    void takenKeysAreToldApartByNumber() {
        assertThat(FieldKey.from("Name", Set.of("name", "name_2")).name()).isEqualTo("name_3");
        assertThat(TableKey.from("Trees", Set.of("trees")).name()).isEqualTo("trees_2");
    }

    @Test
    void longLabelsStayWithinTheNameOfAColumn() {
        FieldKey key = FieldKey.from("a".repeat(300), Set.of());
        assertThat(key.name()).hasSizeLessThanOrEqualTo(48);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "Name", "1st", "a b", "a-b", "a\"b", "row_id", "tableoid"})
    void whatIsNoKeyIsRefused(String name) {
        assertThatThrownBy(() -> new FieldKey(name)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("Not a field key");
    }

    @Test
    void aTableHasEachKeyOnceAndNamesWhatItLacks() {
        Field name = new Field(new FieldKey("name"), "Name", new Textual.Text());
        assertThatThrownBy(() -> new Fields(List.of(name, name))).hasMessageContaining("twice");
        assertThatThrownBy(() -> new Fields(List.of(name)).get(new FieldKey("use")))
                .isInstanceOf(NoSuchField.class).hasMessageContaining("\"use\"").hasMessageContaining("name");
    }
}
