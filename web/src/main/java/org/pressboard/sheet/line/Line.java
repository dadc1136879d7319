package org.pressboard.sheet.line;

import java.util.List;
import org.pressboard.value.RowId;

/** A row as it is drawn, the address at which it is opened (empty where it is not), and how it is marked. */
public record Line(RowId rowId, List<Cell> cells, String opens, RowMark mark) {

    /** What names the row; empty where nothing does. */
    String name() {
        return cells.stream().filter(Cell::naming).map(Cell::text).findFirst().orElse("");
    }
}
