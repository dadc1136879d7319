package org.pressboard.catalog;

import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.pressboard.table.TableKey;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The pictures that are kept with the tables, by name. */
@Component
public class Pictures {

    private static final org.jooq.Table<?> PICTURES = DSL.table(DSL.name("pressboard", "picture"));
    private static final Field<String> TABLE = DSL.field(DSL.name("table_key"), String.class);
    private static final Field<String> NAME = DSL.field(DSL.name("name"), String.class);
    private static final Field<String> MEDIA_TYPE = DSL.field(DSL.name("media_type"), String.class);
    private static final Field<byte[]> BYTES = DSL.field(DSL.name("bytes"), byte[].class);

    private final DSLContext sql;

    Pictures(DSLContext sql) {
        this.sql = sql;
    }

    @Transactional
    public void keep(TableKey table, String name, Picture picture) {
        sql.insertInto(PICTURES, TABLE, NAME, MEDIA_TYPE, BYTES)
                .values(table.name(), name, picture.mediaType(), picture.bytes())
                .onConflict(TABLE, NAME).doUpdate()
                .set(MEDIA_TYPE, picture.mediaType()).set(BYTES, picture.bytes()).execute();
    }

    @Transactional(readOnly = true)
    public Optional<Picture> find(TableKey table, String name) {
        return sql.select(MEDIA_TYPE, BYTES).from(PICTURES).where(TABLE.eq(table.name())).and(NAME.eq(name))
                .fetchOptional(found -> new Picture(found.value1(), found.value2()));
    }
}
