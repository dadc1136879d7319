package org.pressboard.intake;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.pressboard.problem.ProblemsFound;

/**
 * Works out how a file is written: the encoding from all of its bytes, the rest from its first lines. Says what it is
 * when it is not a text file at all.
 */
final class DialectSniffer {

    static final int SAMPLE_BYTES = 128 * 1024;
    private static final int SAMPLE_RECORDS = 200;
    private static final List<Character> USUAL = List.of(',', ';', '\t', '|');

    private final byte[] sample;
    private final String encoding;

    private DialectSniffer(byte[] start, String encoding) {
        this.encoding = encoding;
        this.sample = start;
    }

    /** @throws ProblemsFound when the file is empty or not a text file */
    static Dialect sniff(FileContent content) throws IOException {
        byte[] start = startOf(content);
        if (start.length == 0) {
            throw ProblemsFound.of("file.empty");
        }
        FileSignature.refuseOtherKinds(start);
        String encoding = EncodingSniffer.encoding(content, start);
        String text = new String(start, Charset.forName(encoding)).replace("\uFEFF", "");
        if (text.isBlank()) {
            throw ProblemsFound.of("file.empty");
        }
        return new DialectSniffer(start, encoding).dialect(Top.of(text));
    }

    /** What the delimiter at the end of each record tells of a dialect that somebody has chosen. */
    static Dialect completed(FileContent content, Dialect chosen) throws IOException {
        DialectSniffer sniffer = new DialectSniffer(startOf(content), chosen.encoding());
        return chosen.withClosing(isClosing(sniffer.records(chosen.withClosing(false)), chosen.headed()));
    }

    private static byte[] startOf(FileContent content) throws IOException {
        try (InputStream in = content.open()) {
            return in.readNBytes(SAMPLE_BYTES);
        }
    }

    private Dialect dialect(Top top) {
        char delimiter = top.delimiter() != 0 ? top.delimiter() : USUAL.stream()
                .max(Comparator.comparingDouble(each -> score(records(with(each, top.lines()))))).orElseThrow();
        Dialect dialect = with(delimiter, top.lines());
        List<List<String>> records = records(dialect);
        if (top.isHeading(records.isEmpty() ? 0 : records.getFirst().size(), delimiter)) {
            dialect = with(delimiter, top.linesAboveLastComment());
            records = records(dialect);
        }
        return dialect.withClosing(isClosing(records, true));
    }

    private Dialect with(char delimiter, int topLines) {
        return new Dialect(encoding, delimiter, topLines, true, false);
    }

    /** How regular the sample is under a delimiter: the share of records as wide as the header, and how wide. */
    private static double score(List<List<String>> records) {
        if (records.isEmpty() || records.getFirst().size() < 2) {
            return 0;
        }
        int width = records.getFirst().size();
        // a record may have one value more when each ends with a delimiter
        double regular = (double) records.stream().filter(record -> record.size() == width
                || record.size() == width + 1 && record.getLast().isEmpty()).count() / records.size();
        return regular * 1000 + Math.min(width, 500);
    }

    private static boolean isClosing(List<List<String>> records, boolean headed) {
        if (records.size() < 2 || records.getFirst().size() < 2) {
            return false;
        }
        int width = records.getFirst().size();
        boolean firstEnds = records.getFirst().getLast().isEmpty();
        int closed = firstEnds ? width : headed ? width + 1 : 0;
        return records.stream().skip(1).allMatch(record -> record.size() == closed && record.getLast().isEmpty());
    }

    private List<List<String>> records(Dialect dialect) {
        List<List<String>> found = new ArrayList<>();
        boolean cut = sample.length == SAMPLE_BYTES;
        try (Records records = Records.of(new ByteArrayInputStream(sample), dialect)) {
            while (found.size() < SAMPLE_RECORDS && records.hasNext()) {
                Records.Line line = records.next();
                if (!line.isBlank()) {
                    found.add(line.texts());
                }
            }
            if (cut && !records.hasNext() && !found.isEmpty()) {
                found.removeLast(); // it may be half a record
            }
        } catch (ProblemsFound cutOrUnreadable) {
            // what was read before it is evidence enough; what cannot be read is said when the whole file is
            return found;
        } catch (IOException inMemory) {
            throw new java.io.UncheckedIOException(inMemory);
        }
        return found;
    }
}
