package org.pressboard.catalog;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.change.ChangeFeed;
import org.pressboard.change.KeptByState;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The definitions of the site. What visitors need of them is read once and kept until something changes, on this or
 * another node.
 */
@Component
public class Catalog {

    private final EntityManager entities;
    private final SiteReader reader;
    private final PageAddresses addresses;
    private final ChangeFeed changes;
    private final TransactionTemplate reading;
    /** The site by the page that is tried out; empty: none. */
    private final KeptByState<Optional<PageKey>, PublishedSite> published;
    private final ListingKeys listingKeys;

    Catalog(EntityManager entities, SiteReader reader, PageAddresses addresses, ChangeFeed changes,
            ListingKeys listingKeys, PlatformTransactionManager transactions) {
        this.listingKeys = listingKeys;
        this.entities = entities;
        this.reader = reader;
        this.addresses = addresses;
        this.changes = changes;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
        this.published = new KeptByState<>(4, reading);
    }

    /** The site as visitors get it. */
    public PublishedSite published() {
        return published(null);
    }

    /** The same but for a page that is tried out, published or not: it is as it is drafted. {@code null}: none is. */
    public PublishedSite published(@Nullable PageKey tried) {
        return published.get(changes.catalogRevision(), Optional.ofNullable(tried), changes::catalogRevisionSeen,
                () -> reader.site(tried));
    }

    /** The same as the caller's transaction sees it. */
    @Transactional(readOnly = true)
    public PublishedSite publishedNow() {
        return reader.site(null);
    }

    @Transactional(readOnly = true)
    public Site site() {
        return reader.settings();
    }

    /** The address under which the site was first signed in to; empty before. */
    @Transactional(readOnly = true)
    public String suggestedAddress() {
        return entities.find(SiteEntity.class, SiteEntity.ONLY).suggestedAddress();
    }

    /** Remembers an address of the site, unless one is remembered. */
    @Transactional
    public void suggestAddress(String address) {
        entities.find(SiteEntity.class, SiteEntity.ONLY).suggest(address);
    }

    @Transactional
    public void changeSite(Site site) {
        entities.find(SiteEntity.class, SiteEntity.ONLY).change(site);
        tellOthers();
    }

    /** The groups of members, in their order. */
    @Transactional(readOnly = true)
    public List<Group> groups() {
        return reader.groups();
    }

    /** Keeps a group, a new one behind all others. */
    @Transactional
    public void keepGroup(Group group) {
        GroupEntity known = entities.find(GroupEntity.class, group.key().name());
        if (known == null) {
            entities.persist(new GroupEntity(group, groups().size()));
        } else {
            known.change(group);
        }
        tellOthers();
    }

    /** Removes a group, and in the catalog what was granted to it; whoever calls sees to the row security. */
    @Transactional
    public void removeGroup(GroupKey key) {
        entities.remove(entities.find(GroupEntity.class, key.name()));
        tellOthers();
    }

    /** All tables but those in the bin, as they hang together. */
    @Transactional(readOnly = true)
    public Tables tables() {
        return reader.tables();
    }

    @Transactional(readOnly = true)
    public Optional<Table> table(TableKey key) {
        return tables().find(key);
    }

    /** The tables in the bin, and since when, the last removed first. */
    @Transactional(readOnly = true)
    public Map<Table, Instant> removedTables() {
        Map<Table, Instant> removed = new LinkedHashMap<>();
        entities.createQuery("from TableEntity where removedAt is not null order by removedAt desc", TableEntity.class)
                .getResultStream().forEach(table ->
                        removed.put(table.toTable(), Objects.requireNonNull(table.removedAt())));
        return removed;
    }

    @Transactional(readOnly = true)
    public Set<String> tableKeys() {
        return new HashSet<>(entities.createQuery("select key from TableEntity", String.class).getResultList());
    }

    @Transactional
    public void addTable(Table table) {
        entities.persist(new TableEntity(table));
        tellOthers();
    }

    /** Gives a table another definition; whoever calls sees to its columns. */
    @Transactional
    public void define(Table table) {
        entities.find(TableEntity.class, table.key().name()).define(table);
        tellOthers();
    }

    /** Puts the table into the bin: its listings are not shown until it is put back. */
    @Transactional
    public void binTable(TableKey key) {
        entities.find(TableEntity.class, key.name()).remove(Instant.now());
        tellOthers();
    }

    @Transactional
    public void putBackTable(TableKey key) {
        entities.find(TableEntity.class, key.name()).putBack();
        tellOthers();
    }

    /** Removes the table for good, its listings from all pages, and the pages that are left without any. */
    @Transactional
    public void removeTable(TableKey key) {
        for (PageEntity page : entities.createQuery("from PageEntity", PageEntity.class).getResultList()) {
            Page draft = page.draft();
            Page left = draft.without(key);
            if (left.isEmpty() && !draft.isEmpty()) {
                entities.remove(page);
            } else {
                page.draft(left);
            }
        }
        entities.remove(entities.find(TableEntity.class, key.name()));
        tellOthers();
    }

    @Transactional(readOnly = true)
    public Grants grants(TableKey table) {
        return new Grants(grantEntities(table).stream().map(GrantEntity::toGrant).toList());
    }

    /** Replaces the grants in the catalog; whoever calls sees to the row security. */
    @Transactional
    public void keepGrants(TableKey table, Grants grants) {
        grantEntities(table).forEach(entities::remove);
        grants.all().forEach(grant -> entities.persist(new GrantEntity(table, grant)));
        tellOthers();
    }

    private List<GrantEntity> grantEntities(TableKey table) {
        return entities.createQuery("from GrantEntity where tableKey = :table order by id", GrantEntity.class)
                .setParameter("table", table.name()).getResultList();
    }

    /** The addresses of all pages, also of those in the bin. */
    @Transactional(readOnly = true)
    public Set<String> pageKeys() {
        return new HashSet<>(entities.createQuery("select key from PageEntity", String.class).getResultList());
    }

    /** The drafts in the order of the menu, each with the edition shown. */
    @Transactional(readOnly = true)
    public Map<PageKey, DraftedPage> pages() {
        Map<String, List<EditionEntity>> editions = entities.createQuery("from EditionEntity order by id.number desc",
                EditionEntity.class).getResultStream().collect(Collectors.groupingBy(EditionEntity::pageKey));
        Map<PageKey, DraftedPage> pages = new LinkedHashMap<>();
        reader.pages().forEach(page -> KeptForm.readable(() -> new DraftedPage(page.draft(), editions.getOrDefault(page.pageKey().name(),
                List.of()).stream().map(EditionEntity::toEdition).toList(), page.edition()))
                .ifPresent(read -> pages.put(read.draft().key(), read)));
        return pages;
    }

    @Transactional(readOnly = true)
    public Optional<DraftedPage> page(PageKey key) {
        return there(key).map(this::drafted);
    }

    /** The draft alone; a page has many editions. */
    @Transactional(readOnly = true)
    public Optional<Page> draft(PageKey key) {
        return there(key).map(PageEntity::draft);
    }

    private Optional<PageEntity> there(PageKey key) {
        return Optional.ofNullable(entities.find(PageEntity.class, key.name())).filter(page -> page.removedAt() == null);
    }

    /** All drafts alone, in the order of the menu. */
    @Transactional(readOnly = true)
    public List<Page> drafts() {
        return reader.pages().stream().flatMap(page -> KeptForm.readable(page::draft).stream()).toList();
    }

    DraftedPage drafted(PageEntity page) {
        Page draft = page.draft();
        return new DraftedPage(draft, editions(draft.key()), page.edition());
    }

    private List<Edition> editions(PageKey key) {
        return entities.createQuery("from EditionEntity where id.pageKey = :page order by id.number desc",
                        EditionEntity.class)
                .setParameter("page", key.name()).getResultStream().map(EditionEntity::toEdition).toList();
    }

    /** The name itself as the key of a new listing, or with a number behind it where that is taken. */
    @Transactional(readOnly = true)
    public ListingKey freeListingKey(String name) {
        return listingKeys.free(name);
    }

    /** @throws org.pressboard.problem.ProblemsFound when another page has a listing of such a key */
    @Transactional
    public void addPage(Page page) {
        int last = entities.createQuery("select coalesce(max(position), 0) from PageEntity", Integer.class)
                .getSingleResult();
        entities.persist(new PageEntity(page, last + 1));
        entities.flush();
        listingKeys.reserve(page);
        tellOthers();
    }

    @Transactional
    public void changeDraft(Page page) {
        pageEntity(page.key()).draft(page);
        listingKeys.reserve(page);
        tellOthers();
    }

    /**
     * Moves the page, with its editions, to an address that is free. Whoever comes by an earlier one is led on, until
     * another page takes that.
     */
    @Transactional
    public void move(PageKey from, PageKey to) {
        entities.flush();
        entities.clear();
        addresses.move(from, to);
        tellOthers();
    }

    /** Makes the draft the page's next edition and shows it. */
    @Transactional
    public Edition publish(PageKey key, @Nullable Long by) {
        PageEntity page = pageEntity(key);
        int number = editions(key).stream().mapToInt(Edition::number).max().orElse(0) + 1;
        EditionEntity edition = new EditionEntity(page.draft(), number,
                Objects.requireNonNullElse(page.edition(), number - 1), by);
        entities.persist(edition);
        page.show(number);
        tellOthers();
        return edition.toEdition();
    }

    /** Shows an earlier edition of the page again. */
    @Transactional
    public void putBack(PageKey key, int number) {
        pageEntity(key).show(number);
        tellOthers();
    }

    /** Takes the page off the site; its editions stay. */
    @Transactional
    public void withdraw(PageKey key) {
        pageEntity(key).show(null);
        tellOthers();
    }

    /** Puts the pages into this order, which is that of the menu; what is not named comes behind, as it was. */
    @Transactional
    public void order(List<PageKey> pages) {
        List<PageEntity> all = new ArrayList<>(reader.pages());
        all.sort(Comparator.comparingInt(page -> pages.contains(page.draft().key()) ? pages.indexOf(page.draft().key())
                : pages.size()));
        for (int at = 0; at < all.size(); at++) {
            all.get(at).place(at + 1);
        }
        tellOthers();
    }

    PageEntity pageEntity(PageKey key) {
        return Objects.requireNonNull(entities.find(PageEntity.class, key.name()), () -> "no page " + key);
    }

    void tellOthers() {
        entities.flush();
        changes.catalogChanged();
    }
}
