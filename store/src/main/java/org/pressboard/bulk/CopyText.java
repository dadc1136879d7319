package org.pressboard.bulk;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.Folding;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/** Writes rows in the text format of PostgreSQL's COPY (PostgreSQL 15 documentation, COPY, Text Format). */
final class CopyText {

    private static final int ROOM = 64 * 1024;

    private final boolean[] isSearched;
    private final StringBuilder searched = new StringBuilder();
    private byte[] bytes = new byte[2 * ROOM];
    private int length;

    /** For rows of a table's entered fields, with what is searched of each behind them. */
    CopyText(Table table) {
        List<Field> entered = table.entered();
        isSearched = new boolean[entered.size()];
        for (int i = 0; i < isSearched.length; i++) {
            isSearched[i] = entered.get(i).isSearchable();
        }
    }

    boolean isFull() {
        return length >= ROOM;
    }

    byte[] bytes() {
        return bytes;
    }

    int length() {
        return length;
    }

    void clear() {
        length = 0;
    }

    void row(List<@Nullable Value> values) {
        searched.setLength(0);
        for (int i = 0; i < values.size(); i++) {
            Value value = values.get(i);
            value(value);
            put('\t');
            if (isSearched[i] && value != null) {
                searched.append(searched.isEmpty() ? "" : PlainForm.BETWEEN).append(PlainForm.write(value));
            }
        }
        text(Folding.fold(searched.toString()));
        put('\n');
    }

    private void value(@Nullable Value value) {
        if (value == null) {
            put('\\');
            put('N');
        } else if (value instanceof Value.Text(String text)) {
            text(text);
        } else if (value instanceof Value.Attachment) {
            text(PlainForm.write(value));
        } else if (value instanceof Value.Several(List<Value> values)) {
            text(array(values));
        } else {
            plain(PlainForm.write(value));
        }
    }

    /** Several texts as PostgreSQL writes an array, each in quotation marks (documentation, Array Input and Output). */
    private static String array(List<Value> values) {
        return values.stream().map(each -> '"' + PlainForm.write(each).replace("\\", "\\\\").replace("\"", "\\\"") + '"')
                .collect(Collectors.joining(",", "{", "}"));
    }

    private void text(String text) {
        for (int i = 0; i < text.length(); i++) {
            char character = text.charAt(i);
            if (character >= 0x80) {
                escaped(text.substring(i).getBytes(UTF_8));
                return;
            }
            escaped((byte) character);
        }
    }

    private void escaped(byte[] encoded) {
        for (byte each : encoded) {
            escaped(each);
        }
    }

    private void escaped(byte each) {
        switch (each) {
            case '\\' -> put('\\', '\\');
            case '\t' -> put('\\', 't');
            case '\n' -> put('\\', 'n');
            case '\r' -> put('\\', 'r');
            default -> put((char) (each & 0xFF));
        }
    }

    private void plain(String text) {
        for (int i = 0; i < text.length(); i++) {
            put(text.charAt(i));
        }
    }

    private void put(char one, char other) {
        put(one);
        put(other);
    }

    private void put(char each) {
        if (length == bytes.length) {
            bytes = Arrays.copyOf(bytes, 2 * bytes.length);
        }
        bytes[length++] = (byte) each;
    }
}
