package org.pressboard.intake;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.pressboard.problem.ProblemsFound;

/**
 * Works out how a file is written: the encoding from all of its bytes, the delimiter from its first lines. Says what
 * it is when it is not a text file at all.
 */
final class DialectSniffer {

    static final int SAMPLE_BYTES = 128 * 1024;
    private static final int SAMPLE_RECORDS = 200;
    private static final List<Character> DELIMITERS = List.of(',', ';', '\t', '|');

    private DialectSniffer() {
    }

    /** @throws ProblemsFound when the file is empty or not a text file */
    static Dialect sniff(FileContent content) throws IOException {
        byte[] start = startOf(content);
        if (start.length == 0) {
            throw ProblemsFound.of("file.empty");
        }
        FileSignature.refuseOtherKinds(start);
        String encoding = encoding(content, start);
        String text = new String(start, Charset.forName(encoding));
        if (text.isBlank() || text.equals("\uFEFF")) {
            throw ProblemsFound.of("file.empty");
        }
        return new Dialect(encoding, delimiter(text, start.length == SAMPLE_BYTES));
    }

    private static byte[] startOf(FileContent content) throws IOException {
        try (InputStream in = content.open()) {
            return in.readNBytes(SAMPLE_BYTES);
        }
    }

    private static String encoding(FileContent content, byte[] start) throws IOException {
        if (start.length >= 2 && (start[0] == (byte) 0xFF && start[1] == (byte) 0xFE)) {
            return "UTF-16LE";
        }
        if (start.length >= 2 && (start[0] == (byte) 0xFE && start[1] == (byte) 0xFF)) {
            return "UTF-16BE";
        }
        return TextCheck.isUtf8(content) ? "UTF-8" : "windows-1252";
    }

    private static char delimiter(String text, boolean cut) {
        int lastLine = text.lastIndexOf('\n');
        String sample = cut && lastLine > 0 ? text.substring(0, lastLine) : text;
        return DELIMITERS.stream().max(Comparator.comparingDouble(delimiter -> score(sample, delimiter)))
                .orElseThrow();
    }

    /** How regular the sample is under the delimiter: the share of records as wide as the header, and how wide. */
    private static double score(String sample, char delimiter) {
        int[] widths = widths(sample, delimiter);
        if (widths.length == 0 || widths[0] < 2) {
            return 0;
        }
        double regular = (double) Arrays.stream(widths).filter(width -> width == widths[0]).count() / widths.length;
        return regular * 1000 + Math.min(widths[0], 500);
    }

    private static int[] widths(String sample, char delimiter) {
        List<Integer> widths = new ArrayList<>();
        try (CsvReader<CsvRecord> records = new Dialect("UTF-8", delimiter).read(new StringReader(sample))) {
            for (CsvRecord csvRecord : records) {
                widths.add(csvRecord.getFieldCount());
                if (widths.size() == SAMPLE_RECORDS) {
                    break;
                }
            }
        } catch (CsvParseException | IOException cutInsideQuotes) {
            // what was read before it is evidence enough
            return widths.stream().mapToInt(Integer::intValue).toArray();
        }
        return widths.stream().mapToInt(Integer::intValue).toArray();
    }
}
