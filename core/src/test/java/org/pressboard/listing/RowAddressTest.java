package org.pressboard.listing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.condition.Cases;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

class RowAddressTest {

    private static final Table KEYED = Cases.TABLE.knownBy(null, Cases.NAME, null);

    @ParameterizedTest
    @CsvSource({"T-014,T-014", "Åsby Gravling,Åsby Gravling", "a/b,a~2fb", "50% off;~,50~25 off~3b~7e", "..,~2e~2e",
        "a.b,a.b", "c:\\x,c:~5cx"})
    void whatPartsAnAddressIsWrittenOtherwiseAndReadBack(String key, String written) {
        Row row = Row.of(new RowId(7), Map.of(Cases.NAME, Value.of(key)));
        assertThat(RowAddress.of(KEYED, row)).contains(written);
        assertThat(RowAddress.read(written)).isEqualTo(key);
    }

    @Test
    void withoutAKeyFieldItIsTheNumberAndWithoutAKeyThereIsNone() {
        assertThat(RowAddress.of(Cases.TABLE, Row.of(new RowId(7), Map.of()))).contains("7");
        assertThat(RowAddress.of(KEYED, Row.of(new RowId(7), Map.of()))).isEmpty();
        assertThat(RowAddress.of(new Table(Cases.TABLE.key(), "Apples", new Fields(List.of())), Row.of(new RowId(12), Map.of())))
                .contains("12");
    }
}
