package org.pressboard.listing;

import java.util.HexFormat;
import java.util.Optional;
import java.util.regex.Pattern;
import org.pressboard.table.Table;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;

/**
 * What names a row in an address: the value of its table's key field, else its number. Characters that servers and
 * browsers take for parts of an address themselves are written as a tilde and their number.
 */
public final class RowAddress {

    private static final Pattern ODD = Pattern.compile("[/\\\\;%~\\x00-\\x1f]|^\\.+$");
    private static final Pattern WRITTEN = Pattern.compile("~([0-9a-f]{2})");

    private RowAddress() {
    }

    /** Of a row that was read with its key field; empty where it has none. */
    public static Optional<String> of(Table table, Row row) {
        return table.rowKey() == null ? Optional.of(row.id().toString())
                : row.find(table.rowKey()).map(PlainForm::write).map(RowAddress::written);
    }

    private static String written(String key) {
        return ODD.matcher(key).replaceAll(odd -> {
            StringBuilder written = new StringBuilder();
            odd.group().chars().forEach(each -> written.append('~').append(HexFormat.of().toHexDigits((byte) each)));
            return written.toString();
        });
    }

    /** The key in plain form that stands in an address. */
    public static String read(String written) {
        return WRITTEN.matcher(written).replaceAll(each ->
                java.util.regex.Matcher.quoteReplacement(String.valueOf((char) HexFormat.fromHexDigits(each.group(1)))));
    }
}
