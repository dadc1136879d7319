package org.pressboard.site;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.editing.RowEditing;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.history.Author;
import org.pressboard.listing.Listing;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.TableKey;
import org.springframework.beans.factory.annotation.Autowired;

/** What tests share that make tables as an owner does, and look at them in the browser. */
public abstract class WithTables extends InBrowser {

    protected static final Author OWNER = new Author(null, "owner@example.org", Author.Origin.DESK);

    @Autowired
    protected Catalog catalog;

    @Autowired
    protected Drafts drafts;

    @Autowired
    protected Publisher publisher;

    @Autowired
    protected TableChanges changes;

    @Autowired
    protected RowEditing editing;

    /** Publishes a page of that listing alone, with these tables open to everyone. */
    protected void publish(PageKey key, String title, Listing listing, TableKey... open) {
        if (catalog.page(key).isEmpty()) {
            catalog.addPage(new Page(key, title, List.of(listing)));
        }
        drafts.change(key, "owner", page -> page.with(List.of(listing)));
        publisher.publish(key, Stream.of(open).collect(Collectors.toMap(Function.identity(), table -> Openness.EVERYONE)),
                null);
    }
}
