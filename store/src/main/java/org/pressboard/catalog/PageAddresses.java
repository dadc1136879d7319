package org.pressboard.catalog;

import java.util.HashMap;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.edition.PageKey;
import org.springframework.stereotype.Component;

/** Where pages are, and where they were before. Within the caller's transaction. */
@Component
class PageAddresses {

    private final DSLContext sql;

    PageAddresses(DSLContext sql) {
        this.sql = sql;
    }

    /** The addresses that pages had before, and where each of these pages is now. */
    Map<String, PageKey> former() {
        Map<String, PageKey> former = new HashMap<>();
        sql.fetch("select address, page_key from pressboard.former_address")
                .forEach(found -> former.put(found.get(0, String.class), new PageKey(found.get(1, String.class))));
        return former;
    }

    /** What refers to a page does so by its key, which the database changes along. */
    void move(PageKey from, PageKey to) {
        sql.execute("delete from pressboard.former_address where address = {0}", DSL.val(to.name()));
        sql.execute("update pressboard.page set key = {1} where key = {0}", DSL.val(from.name()), DSL.val(to.name()));
        sql.execute("insert into pressboard.former_address (address, page_key) values ({0}, {1})", DSL.val(from.name()), DSL.val(to.name()));
        sql.execute("update pressboard.intake set page_key = {1} where page_key = {0}", DSL.val(from.name()), DSL.val(to.name()));
    }
}
