package org.pressboard.takeaway;

import static java.nio.charset.StandardCharsets.UTF_8;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/** Writes rows as CSV (RFC 4180), values in their plain form. */
final class CsvRows implements Closeable {

    private static final int BUFFER = 64 * 1024;

    private final CsvWriter csv;

    CsvRows(OutputStream out) {
        this.csv = CsvWriter.builder().lineDelimiter(LineDelimiter.CRLF).bufferSize(BUFFER)
                .build(new OutputStreamWriter(out, UTF_8));
    }

    void header(List<String> labels) {
        csv.writeRecord(labels);
    }

    void row(List<@Nullable Value> values) {
        String[] texts = new String[values.size()];
        for (int i = 0; i < texts.length; i++) {
            Value value = values.get(i);
            texts[i] = value == null ? "" : PlainForm.write(value);
        }
        csv.writeRecord(texts);
    }

    @Override
    public void close() throws IOException {
        csv.close();
    }
}
