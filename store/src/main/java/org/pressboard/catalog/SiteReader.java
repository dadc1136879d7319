package org.pressboard.catalog;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Deciding;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Group;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.springframework.stereotype.Component;

/** Reads the definitions of the site, within the caller's transaction: what this release can read of them. */
@Component
class SiteReader {

    private final EntityManager entities;
    private final PageAddresses addresses;

    SiteReader(EntityManager entities, PageAddresses addresses) {
        this.entities = entities;
        this.addresses = addresses;
    }

    /** The site as visitors get it, but for a page that is tried out, which is as it is drafted; {@code null}: none is. */
    PublishedSite site(@Nullable PageKey tried) {
        return site(tried == null ? editions() : editionsWithDraft(tried));
    }

    Site settings() {
        return entities.find(SiteEntity.class, SiteEntity.ONLY).toSite();
    }

    /** The groups of members, in their order. */
    List<Group> groups() {
        return entities.createQuery("from GroupEntity order by position, key", GroupEntity.class).getResultStream()
                .flatMap(group -> KeptForm.readable(group::toGroup).stream()).toList();
    }

    /** All tables but those in the bin. */
    Tables tables() {
        return Tables.of(entities.createQuery("from TableEntity where removedAt is null order by label, key",
                TableEntity.class).getResultStream().flatMap(each -> KeptForm.readable(each::toTable).stream()).toList());
    }

    /** All pages but those in the bin. */
    List<PageEntity> pages() {
        return entities.createQuery("from PageEntity where removedAt is null order by position, key", PageEntity.class)
                .getResultList();
    }

    /** The shown edition of each published page, by its address; empty: a later release has written it. */
    private Map<PageKey, Optional<Edition>> editions() {
        Map<PageKey, Optional<Edition>> editions = new LinkedHashMap<>();
        entities.createQuery("""
                select e from PageEntity p join EditionEntity e on e.id.pageKey = p.key and e.id.number = p.edition
                where p.removedAt is null order by p.position, p.key""", EditionEntity.class).getResultStream()
                .forEach(each -> editions.put(new PageKey(each.pageKey()), KeptForm.readable(each::toEdition)));
        return editions;
    }

    private Map<PageKey, Optional<Edition>> editionsWithDraft(PageKey tried) {
        Map<PageKey, Optional<Edition>> shown = editions();
        Map<PageKey, Optional<Edition>> editions = new LinkedHashMap<>();
        pages().forEach(page -> {
            PageKey key = page.pageKey();
            if (key.equals(tried)) {
                editions.put(key, KeptForm.readable(() -> new Edition(0, page.draft(), Instant.now(), 0)));
            } else if (shown.containsKey(key)) {
                editions.put(key, shown.get(key));
            }
        });
        return editions;
    }

    private PublishedSite site(Map<PageKey, Optional<Edition>> shown) {
        Tables tables = tables();
        List<Edition> editions = shown.values().stream().flatMap(Optional::stream)
                .flatMap(edition -> without(edition, tables).stream()).toList();
        Set<PageKey> newer = shown.entrySet().stream().filter(page -> page.getValue().isEmpty()).map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        Map<TableKey, List<Grant>> grants = new HashMap<>();
        entities.createQuery("from GrantEntity order by id", GrantEntity.class).getResultStream()
                .forEach(grant -> KeptForm.readable(grant::toGrant).ifPresent(read -> grants.computeIfAbsent(new TableKey(grant.tableKey()),
                        key -> new ArrayList<>()).add(read)));
        List<Group> groups = groups();
        Deciding deciding = Deciding.of(tables, groups);
        Map<TableKey, Grants> byTable = new HashMap<>();
        grants.forEach((key, all) -> tables.find(key)
                .ifPresent(table -> byTable.put(key, new Grants(all).of(tables, table, deciding))));
        return new PublishedSite(settings(), editions, newer, tables, byTable, groups, addresses.former());
    }

    /**
     * Listings of tables that are in the bin are not shown, until the table is put back; nor is a page of which only words would
     * be left, for those went with its rows.
     */
    private static Optional<Edition> without(Edition edition, Tables tables) {
        Page left = edition.page().among(tables);
        boolean isBare = left.isEmpty() || (left.isOfWordsAlone() && !edition.page().isOfWordsAlone());
        return isBare ? Optional.empty() : Optional.of(edition.of(left));
    }
}
