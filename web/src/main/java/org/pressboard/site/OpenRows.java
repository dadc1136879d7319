package org.pressboard.site;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pressboard.listing.RowAddress;
import org.pressboard.rows.Rows;
import org.pressboard.stand.OpenPage;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriUtils;

/** Where rows are read whole. */
@Component
public class OpenRows {

    private final Rows rows;

    OpenRows(Rows rows) {
        this.rows = rows;
    }

    /** The address of a row on a page that lists its table; empty where they do not see it there. */
    public Optional<String> address(OpenPage on, Table table, RowId row) {
        List<FieldKey> key = table.rowKey() == null ? List.of() : List.of(table.rowKey());
        return on.askings(Map.of()).stream()
                .filter(asking -> asking.listing().table().equals(table.key()) && asking.isAllowed())
                .flatMap(asking -> rows.numbered(asking.rowQuery().reading(key), asking.language(), List.of(row)).stream())
                .findFirst().flatMap(found -> RowAddress.of(table, found))
                .map(address -> on.stand().page() + "/" + UriUtils.encodePathSegment(address, StandardCharsets.UTF_8));
    }
}
