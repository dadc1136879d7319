package org.pressboard.schema;

import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.edition.Page;
import org.pressboard.history.Author;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Makes tables from nothing, each with a draft page that lists its rows, so that nobody has to make that besides; all of it
 * or nothing.
 */
@Component
public class NewTables {

    private final TableChanges tables;
    private final Drafts drafts;
    private final Catalog catalog;

    NewTables(TableChanges tables, Drafts drafts, Catalog catalog) {
        this.tables = tables;
        this.drafts = drafts;
        this.catalog = catalog;
    }

    /** An empty table, and its page. */
    @Transactional
    public Table make(String label, Fields fields, Author author) {
        Table table = tables.make(label, fields, author);
        drafts.begin(table, label, field -> false);
        return table;
    }

    /**
     * An empty table, and a page with a form by which it is filled above the list of its rows.
     *
     * @return the page
     */
    @Transactional
    public Page forForm(String title, Fields fields, Author author) {
        Table table = tables.make(title, fields, author);
        Page page = drafts.begin(table, title, field -> false);
        Page asking = page.adding(page.suggested(table, title));
        catalog.changeDraft(asking);
        return asking;
    }
}
