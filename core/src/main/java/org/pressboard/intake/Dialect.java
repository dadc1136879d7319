package org.pressboard.intake;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.Charset;

/** How a file of separated values is written (RFC 4180, and the other delimiters and encodings in common use). */
public record Dialect(String encoding, char delimiter) {

    /** A longer single value is not data; without a bound one stray quotation mark would swallow the file. */
    private static final int MOST_CHARACTERS_OF_A_VALUE = 2 * 1024 * 1024;

    /** The records of the file, its header first; lines without anything on them are passed over. */
    CsvReader<CsvRecord> read(FileContent content) throws IOException {
        return read(new InputStreamReader(content.open(), Charset.forName(encoding)));
    }

    CsvReader<CsvRecord> read(Reader text) {
        return CsvReader.builder()
                .fieldSeparator(delimiter)
                .allowExtraFields(true)
                .allowMissingFields(true)
                .allowExtraCharsAfterClosingQuote(true)
                .allowUnclosedQuote(false)
                .detectBomHeader(false)
                .maxBufferSize(MOST_CHARACTERS_OF_A_VALUE)
                .ofCsvRecord(new WithoutByteOrderMark(text));
    }
}
