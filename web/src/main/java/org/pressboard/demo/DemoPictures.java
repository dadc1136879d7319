package org.pressboard.demo;

import static java.nio.charset.StandardCharsets.UTF_8;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.editing.RowEditing;
import org.pressboard.files.Files;
import org.pressboard.files.KeptFile;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Reading;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.Rows;
import org.pressboard.table.Attached;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;

/** Draws a picture of each variety of the demo, after what its row says of skin and shape. */
@Component
class DemoPictures {

    private static final TableKey VARIETIES = new TableKey("varieties");
    private static final FieldKey PICTURE = new FieldKey("picture");
    private static final FieldKey SKIN = new FieldKey("skin");
    private static final FieldKey SHAPE = new FieldKey("shape");
    private static final int MOST = 1_000;

    private final Catalog catalog;
    private final Rows rows;
    private final Files files;
    private final RowEditing editing;

    DemoPictures(Catalog catalog, Rows rows, Files files, RowEditing editing) {
        this.catalog = catalog;
        this.rows = rows;
        this.files = files;
        this.editing = editing;
    }

    /** The column with the names of the pictures is one of pictures. */
    static Plan.Column asPicture(Plan.Column column) {
        return column.label().equals("Picture") ? column.withReading(Reading.PICTURE) : column;
    }

    void draw() {
        Table table = catalog.table(VARIETIES).orElseThrow();
        RowQuery all = new RowQuery(Sight.of(table), Visitor.staff(""), Standpoint.NOBODY, Condition.ALWAYS,
                Condition.ALWAYS, List.of(), 1, MOST, List.of(PICTURE, SKIN, SHAPE));
        rows.page(all, Locale.ENGLISH).rows().forEach(this::draw);
    }

    private void draw(Row row) {
        String name = Attached.names(Objects.requireNonNull(row.get(PICTURE))).getFirst();
        String drawing = AppleDrawing.of(text(row.get(SKIN)), text(row.get(SHAPE)), name.hashCode());
        try {
            KeptFile kept = files.keep(new ByteArrayInputStream(drawing.getBytes(UTF_8)), name);
            editing.changeAll(VARIETIES, List.of(row.id()),
                    Map.of(PICTURE, Optional.of(new Value.Attachment(kept.content(), name))), DemoTables.OWNER);
        } catch (IOException cannotBe) {
            throw new UncheckedIOException(cannotBe);
        }
    }

    private static String text(@Nullable Value value) {
        return value == null ? "" : PlainForm.write(value);
    }
}
