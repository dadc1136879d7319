package org.pressboard.intake;

import de.siegmar.fastcsv.reader.CloseableIterator;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.util.Iterator;
import java.util.List;
import org.pressboard.problem.ProblemsFound;

/**
 * The records of a file in a dialect, the headings among them, one after the other in constant memory. To be closed.
 *
 * <p>Throws {@link ProblemsFound} with the line where a file cannot be read on.
 */
final class Records implements Iterator<Records.Line>, Closeable {

    /** A record: the line of the file on which it begins, from 1, and its texts. */
    record Line(long number, List<String> texts) {

        /** Whether nothing at all stands on it. */
        boolean isBlank() {
            return texts.size() == 1 && texts.getFirst().isEmpty();
        }
    }

    private final Dialect dialect;
    private final DecodedText decoded;
    private final CloseableIterator<CsvRecord> records;
    private long lastLine;

    private Records(Dialect dialect, DecodedText decoded) {
        this.dialect = dialect;
        this.decoded = decoded;
        this.records = CsvReader.builder()
                .fieldSeparator(dialect.delimiter())
                .skipEmptyLines(false)
                .allowExtraFields(true)
                .allowMissingFields(true)
                .allowExtraCharsAfterClosingQuote(false)
                .detectBomHeader(false)
                .maxBufferSize(3 * TidyText.MOST_CHARACTERS_OF_A_VALUE)
                .ofCsvRecord(new TidyText(decoded, dialect.delimiter(), dialect.top())).iterator();
        this.lastLine = dialect.top() + 1L;
    }

    static Records open(FileContent content, Dialect dialect) throws IOException {
        return of(content.open(), dialect);
    }

    static Records of(InputStream bytes, Dialect dialect) {
        return new Records(dialect, new DecodedText(bytes, dialect.encoding()));
    }

    /** Whether there are bytes in what was read so far that mean nothing in the encoding. */
    boolean hasBadBytes() {
        return decoded.badBytes() > 0;
    }

    @Override
    public boolean hasNext() {
        try {
            return records.hasNext();
        } catch (CsvParseException unreadable) {
            throw unreadable(unreadable);
        }
    }

    @Override
    public Line next() {
        CsvRecord found = records.next();
        lastLine = found.getStartingLineNumber() + dialect.top();
        List<String> texts = found.getFields();
        boolean closed = dialect.closing() && texts.size() > 1 && texts.getLast().isEmpty();
        return new Line(lastLine, closed ? texts.subList(0, texts.size() - 1) : texts);
    }

    /** What the text refused; left for the parser is a record of more values than any table has fields. */
    private ProblemsFound unreadable(CsvParseException cause) {
        if (cause.getCause() instanceof ProblemsFound found) {
            return found;
        }
        ProblemsFound problems = ProblemsFound.of("file.unreadable", lastLine);
        problems.initCause(cause);
        return problems;
    }

    @Override
    public void close() throws IOException {
        records.close();
    }
}
