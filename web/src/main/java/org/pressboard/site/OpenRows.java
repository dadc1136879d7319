package org.pressboard.site;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.pressboard.catalog.Catalog;
import org.pressboard.edition.Page;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.RowAddress;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.Sheets;
import org.pressboard.table.Table;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriUtils;

/** Where rows are read whole. */
@Component
public class OpenRows {

    private final Catalog catalog;
    private final Sheets sheets;

    OpenRows(Catalog catalog, Sheets sheets) {
        this.catalog = catalog;
        this.sheets = sheets;
    }

    /** The address of a row on a page that lists its table; empty where this visitor does not see it there. */
    public Optional<String> address(Page page, Table table, long row, Visitor visitor, Locale language) {
        return page.listings().stream().filter(listing -> listing.table().equals(table.key()))
                .map(listing -> Asking.of(listing, page.here(), catalog.published().sight(visitor, table.key()), visitor,
                        AddressPart.of(listing.key(), page.listingKeys(), Map.of())))
                .filter(Asking::isAllowed)
                .flatMap(asking -> sheets.row(asking, row,
                        table.rowKey() == null ? List.of() : List.of(table.rowKey()), language)
                        .stream()).findFirst().flatMap(found -> RowAddress.of(table, found))
                .map(key -> "/" + page.key() + "/" + UriUtils.encodePathSegment(key, StandardCharsets.UTF_8));
    }
}
