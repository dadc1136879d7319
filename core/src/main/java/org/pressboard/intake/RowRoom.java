package org.pressboard.intake;

import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/**
 * Whether a row has room in a page of PostgreSQL, in which a longer text stands elsewhere and leaves a pointer
 * (PostgreSQL 15 documentation, 73.2 "TOAST" and 73.6 "Database Page Layout"). Only rows of some hundred texts have not.
 */
final class RowRoom {

    /** A page less its own heading and that of a row, and what Pressboard keeps of each row. */
    private static final int ROOM = 8_160 - 24 - 140;

    private static final int NEVER_TOO_MANY = 300;
    private static final int LONGEST_INSIDE = 24;
    private static final int POINTER = 18;

    private int bytes;

    private RowRoom(int fields) {
        bytes = fields / 8 + 1;
    }

    static boolean isTooWide(@Nullable Value[] values) {
        if (values.length <= NEVER_TOO_MANY) {
            return false;
        }
        RowRoom row = new RowRoom(values.length);
        for (Value value : values) {
            row.add(value);
        }
        return row.bytes > ROOM;
    }

    private void add(@Nullable Value value) {
        switch (value) {
            case null -> { }
            case Value.Text(String text) -> addText(text);
            case Value.Decimal decimal -> bytes += 8 + decimal.number().precision() / 2;
            case Value.YesNo yesNo -> bytes += 1;
            case Value.Date date -> addAligned(4);
            case Value.Whole whole -> addAligned(8);
            case Value.Moment moment -> addAligned(8);
            case Value.Time time -> addAligned(8);
            case Value.Referred referred -> addAligned(8);
            case Value.Attachment file -> addText(PlainForm.write(file));
            case Value.Several several -> several.values().forEach(this::add);
        }
    }

    private void addText(String text) {
        int length = text.length() > LONGEST_INSIDE ? text.length() : text.getBytes(StandardCharsets.UTF_8).length;
        bytes += length < LONGEST_INSIDE ? length + 1 : POINTER;
    }

    private void addAligned(int size) {
        bytes = (bytes + size - 1) / size * size + size;
    }
}
