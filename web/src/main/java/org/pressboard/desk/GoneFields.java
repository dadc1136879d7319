package org.pressboard.desk;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.schema.Bin;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;

/** The fields in the bin that a page is about, in its draft or in what visitors get: it is shown without them. */
@Component
class GoneFields {

    private final Catalog catalog;
    private final Bin bin;

    GoneFields(Catalog catalog, Bin bin) {
        this.catalog = catalog;
        this.bin = bin;
    }

    /**
     * What is gone from one table.
     *
     * @param labels what the fields were called
     */
    public record GoneFrom(String table, String label, List<String> labels) {
    }

    List<GoneFrom> from(DraftedPage page) {
        Tables tables = catalog.published().tables();
        Map<TableKey, Set<FieldKey>> missing = new LinkedHashMap<>();
        Stream.concat(Stream.of(page.draft()), page.given().stream()).forEach(each -> each.missing(tables)
                .forEach((table, keys) -> missing.computeIfAbsent(table, any -> new LinkedHashSet<>()).addAll(keys)));
        return missing.entrySet().stream().map(each -> gone(tables.get(each.getKey()), each.getValue()))
                .filter(each -> !each.labels.isEmpty()).toList();
    }

    private GoneFrom gone(Table table, Set<FieldKey> missing) {
        return new GoneFrom(table.key().name(), table.label(), bin.fields(table.key()).stream().map(Bin.RemovedField::field)
                .filter(field -> missing.contains(field.key())).map(Field::label).distinct().toList());
    }
}
