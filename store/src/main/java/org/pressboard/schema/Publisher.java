package org.pressboard.schema;

import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.catalog.Site;
import org.pressboard.change.ChangeFeed;
import org.pressboard.edition.Edition;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Deciding;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Openness;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.sql.LongWork;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Publishes pages and opens tables: what the catalog says and what the database enforces change together or not at
 * all.
 */
@Component
public class Publisher {

    private final Catalog catalog;
    private final HostedTables tables;
    private final Bin bin;
    private final Locks locks;
    private final Indexes indexes;
    private final IndexUpkeep upkeep;
    private final ChangeFeed changes;
    private final TallyUpkeep tallies;
    private final DSLContext sql;

    Publisher(Catalog catalog, HostedTables tables, Bin bin, Locks locks,
            Indexes indexes, IndexUpkeep upkeep, ChangeFeed changes, TallyUpkeep tallies, DSLContext sql) {
        this.tallies = tallies;
        this.sql = sql;
        this.catalog = catalog;
        this.tables = tables;
        this.bin = bin;
        this.locks = locks;
        this.indexes = indexes;
        this.upkeep = upkeep;
        this.changes = changes;
    }

    /** Makes the page's next edition, with its tables as open as said; then makes their indexes in the background. */
    @Transactional
    public Edition publish(PageKey page, Map<TableKey, Openness> open, @Nullable Long by) {
        open.forEach(this::open);
        Edition edition = catalog.publish(page, by);
        List<ListingKey> published = edition.page().listings().stream().map(Listing::key).toList();
        upkeep.completeAfterwards((site, listing) -> published.contains(listing.key()));
        return edition;
    }

    /** Shows an earlier edition of a page again, and makes what indexes it lacks. */
    @Transactional
    public void putBack(PageKey page, int number) {
        catalog.putBack(page, number);
        upkeep.completeAfterwards((site, listing) -> site.editions().stream().map(Edition::page)
                .anyMatch(shown -> shown.key().equals(page) && shown.listings().contains(listing)));
    }

    /** Lets these and no others see the table; where its grants are to say, and of all else that they say, they are let be. */
    @Transactional
    public void open(TableKey key, Openness openness) {
        grant(key, new Grants(openness.in(catalog.grants(key).all())));
    }

    /** What the site is called, and in which language: in its order the database keeps the least and greatest of texts. */
    @Transactional
    public void changeSite(Site site) {
        boolean isOtherLanguage = !catalog.site().language().equals(site.language());
        catalog.changeSite(site);
        if (isOtherLanguage) {
            LongWork.begin(sql);
            tallies.orderAnew(catalog.tables(), tally -> true);
        }
    }

    /** Removes a group, with what was granted to it in any table. */
    @Transactional
    public void removeGroup(GroupKey group) {
        Audience audience = Audience.those(group);
        for (Table table : catalog.tables().all()) {
            List<Grant> others = catalog.grants(table.key()).all().stream()
                    .filter(grant -> !grant.audience().equals(audience)).toList();
            grant(table.key(), new Grants(others));
        }
        regroup(() -> catalog.removeGroup(group));
    }

    /** Keeps a group. What it rests on is nobody's to write from now on whom no grant expressly lets. */
    @Transactional
    public void keepGroup(Group group) {
        regroup(() -> catalog.keepGroup(group));
    }

    private void regroup(Runnable change) {
        Tables all = catalog.tables();
        Set<TableKey> concerned = new HashSet<>(Deciding.of(all, catalog.groups()).tables());
        change.run();
        concerned.addAll(Deciding.of(all, catalog.groups()).tables());
        List<Table> written = concerned.stream().sorted(Comparator.comparing(TableKey::name)).map(all::get)
                .filter(table -> catalog.grants(table.key()).isWriting()).toList();
        if (!written.isEmpty()) {
            indexes.giveWay();
            locks.protect(all, written);
        }
    }

    /** Gives the table these grants and no others, in both locks. */
    @Transactional
    public void grant(TableKey key, Grants grants) {
        if (!catalog.grants(key).equals(grants)) {
            indexes.giveWay();
            catalog.keepGrants(key, grants);
            Tables all = catalog.tables();
            locks.protect(all, List.of(all.get(key)));
        }
    }

    /** Removes tables, their rows and the pages made of them alone, for good; none but these may refer to them. */
    @Transactional
    public void remove(TableKey... keys) {
        Tables tables = catalog.tables();
        indexes.giveWay();
        Arrays.stream(keys).forEach(locks::takeOff);
        Arrays.stream(keys).map(tables::get).toList().forEach(this::remove);
        Arrays.stream(keys).forEach(locks::putOn);
        changes.columnsGone();
    }

    /** Removes all tables for good, whatever refers to what. */
    @Transactional
    public void removeAll() {
        indexes.giveWay();
        List<Table> all = catalog.tables().all();
        all.stream().map(Table::key).forEach(locks::takeOff);
        all.forEach(this::remove);
        changes.columnsGone();
    }

    private void remove(Table table) {
        catalog.removeTable(table.key());
        tables.drop(table);
        bin.forgetHistory(table.key());
        changes.tableRemoved(table.key());
    }

    public Indexes.Progress indexProgress(Listing listing) {
        PublishedSite site = catalog.published();
        return indexes.progress(site.tables(), listing, site.site().language());
    }
}
