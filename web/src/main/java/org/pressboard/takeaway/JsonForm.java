package org.pressboard.takeaway;

import java.io.OutputStream;
import org.pressboard.bulk.AllRows;
import org.pressboard.listing.RowQuery;
import org.pressboard.value.Row;
import tools.jackson.databind.SequenceWriter;
import tools.jackson.databind.json.JsonMapper;

/** All rows as an array of JSON, each as {@link JsonRows} has it. */
final class JsonForm implements AllRows.Writing {

    private static final JsonMapper MAPPER = JsonMapper.shared();

    private final RowQuery query;
    private final SequenceWriter array;

    JsonForm(RowQuery query, OutputStream out) {
        this.query = query;
        this.array = MAPPER.writer().writeValuesAsArray(out);
    }

    @Override
    public void row(Row row) {
        array.write(JsonRows.row(query, row));
    }

    @Override
    public void close() {
        array.close();
    }
}
