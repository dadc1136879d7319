package org.pressboard.takeaway;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Total;
import org.pressboard.sheet.line.FileAnswer;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/**
 * A page of rows as JSON has it.
 *
 * @param found     how many rows match; at least so many when {@code foundAll} is false
 * @param outOf     how many there are before searching and narrowing; at least so many when {@code countedAll} is false
 */
record JsonRows(long found, boolean foundAll, long outOf, boolean countedAll, int page, boolean more,
                List<Map<String, @Nullable Object>> rows) {

    static JsonRows of(RowQuery query, RowPage page) {
        return new JsonRows(page.found().atLeast(), page.found() instanceof Total.Exactly, page.outOf().atLeast(),
                page.outOf() instanceof Total.Exactly, query.page(), page.hasMore(),
                page.rows().stream().map(row -> row(query, row)).toList());
    }

    static Map<String, @Nullable Object> row(RowQuery query, Row row) {
        Map<String, @Nullable Object> object = new LinkedHashMap<>();
        for (FieldKey field : query.show()) {
            object.put(field.name(), json(query.table(), row.get(field)));
        }
        return object;
    }

    private static @Nullable Object json(Table table, @Nullable Value value) {
        return switch (value) {
            case null -> null;
            case Value.Whole whole -> whole.number();
            case Value.Decimal decimal -> decimal.number();
            case Value.YesNo yesNo -> yesNo.yes();
            case Value.Text text -> text.text();
            case Value.Date date -> PlainForm.write(date);
            case Value.Moment moment -> PlainForm.write(moment);
            case Value.Time time -> PlainForm.write(time);
            case Value.Referred referred -> referred.heading();
            case Value.Attachment file -> file(table, file);
            case Value.Several several -> several.values().stream().map(each -> json(table, each)).toList();
        };
    }

    /** In an order that stays, so that what has not changed reads the same. */
    private static Map<String, Object> file(Table table, Value.Attachment file) {
        Map<String, Object> json = new LinkedHashMap<>();
        json.put("name", file.name());
        if (file.isThere()) {
            json.put("href", FileAnswer.address(table.key().name(), file.content(), file.name()));
        }
        return json;
    }
}
