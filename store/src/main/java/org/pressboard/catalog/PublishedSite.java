package org.pressboard.catalog;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Group;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * Everything that the visitors' pages need to know of the site besides rows, as it stood at one moment. Immutable.
 *
 * @param editions the shown edition of each published page, in the order of the menu
 * @param newer    the published pages that a later release has written, so that this one can only say so
 * @param groups   the groups of members
 * @param formerly the addresses that pages had before, and where each of these pages is now
 */
public record PublishedSite(Site site, List<Edition> editions, Set<PageKey> newer, Tables tables,
                            Map<TableKey, Grants> grants, List<Group> groups,
                            Map<String, PageKey> formerly) {

    public PublishedSite {
        editions = List.copyOf(editions);
        newer = Set.copyOf(newer);
        grants = Map.copyOf(grants);
        groups = List.copyOf(groups);
        formerly = Map.copyOf(formerly);
    }

    /** A listing as it stands in the shown edition of a page. */
    public record PublishedListing(Edition edition, Listing listing, Table table) {

        /** What there is to its page for whoever looks. */
        public Standpoint.OnPage page() {
            return edition.page().here();
        }
    }

    public Optional<Edition> edition(PageKey key) {
        return editions.stream().filter(edition -> edition.page().key().equals(key)).findFirst();
    }

    public Optional<PublishedListing> listing(ListingKey key) {
        for (Edition edition : editions) {
            for (Listing listing : edition.page().listings()) {
                if (listing.key().equals(key)) {
                    return Optional.of(new PublishedListing(edition, listing, table(listing.table())));
                }
            }
        }
        return Optional.empty();
    }

    public Table table(TableKey key) {
        return tables.get(key);
    }

    /** The table as the visitor sees it, and what is around it. */
    public Sight sight(Visitor visitor, TableKey table) {
        Map<TableKey, Condition> rows = new HashMap<>();
        Map<TableKey, Map<FieldKey, Condition>> partly = new HashMap<>();
        for (Table each : tables.all()) {
            rows.put(each.key(), maySee(visitor, each.key()).rows());
            Map<FieldKey, Condition> fields = partly(visitor, Verb.SEE, each.key());
            if (!fields.isEmpty()) {
                partly.put(each.key(), fields);
            }
        }
        return new Sight(tables.get(table), tables, rows, partly);
    }

    /** Those who see rows of the table, each with somebody who is one of them and nothing more; the widest first. */
    public Map<Audience, Visitor> readers(TableKey table) {
        Map<Audience, Visitor> readers = new LinkedHashMap<>();
        readers.put(Audience.EVERYONE, Visitor.ANYONE);
        readers.put(Audience.MEMBERS, Visitor.member(""));
        groups.forEach(group -> readers.put(Audience.those(group.key()), Visitor.member("").in(Set.of(group.key()))));
        readers.values().removeIf(visitor -> !maySee(visitor, table).isAllowed());
        return readers;
    }

    /** The fields that grants leave out of what the visitor may do; see {@link Grants#partly}. */
    public Map<FieldKey, Condition> partly(Visitor visitor, Verb verb, TableKey table) {
        return grants(table).partly(visitor, verb);
    }

    /** Whether the visitor may see rows of the table, and which. */
    public Decision maySee(Visitor visitor, TableKey table) {
        return may(visitor, Verb.SEE, table);
    }

    /** Whether the visitor may do that to rows of the table, and to which. */
    public Decision may(Visitor visitor, Verb verb, TableKey table) {
        return grants(table).decide(visitor, verb);
    }

    /** Whether people who are not signed in have rows of their own in any table. */
    public boolean countsBrowsers() {
        return tables.all().stream().anyMatch(Table::browsers);
    }

    /** The fields that are left out of all that the visitor may do so. */
    public Set<FieldKey> closed(Visitor visitor, Verb verb, TableKey table) {
        return partly(visitor, verb, table).entrySet().stream().filter(field -> field.getValue().equals(Condition.NEVER))
                .map(Map.Entry::getKey).collect(Collectors.toSet());
    }

    /** A form as it asks the visitor: for nothing that they may not give. */
    public Form asked(Form form, Visitor visitor) {
        return form.sparing(closed(visitor, Verb.ADD, form.table()));
    }

    /** Whether a form is shown to somebody: they may send it, or would have to sign in for it. */
    public boolean offers(Form form, Visitor visitor) {
        return may(visitor, Verb.ADD, form.table()).isAllowed()
                || (visitor.kind() == Visitor.Kind.ANYONE && isGranted(Verb.ADD, form.table()));
    }

    /** Whether anybody but staff may do that to any row of the table. */
    public boolean isGranted(Verb verb, TableKey table) {
        return !grants(table).of(verb).isEmpty();
    }

    /** Who may see all rows of the table. */
    public Openness openness(TableKey table) {
        return Openness.of(grants(table));
    }

    private Grants grants(TableKey table) {
        return grants.getOrDefault(table, Grants.NONE);
    }

    /** The published listings of the table that the visitor may see, on pages that they get to. */
    public List<PublishedListing> listingsOf(TableKey table, Visitor visitor) {
        return !maySee(visitor, table).isAllowed() ? List.of() : editions.stream()
                .filter(edition -> edition.page().access().lets(visitor))
                .flatMap(edition -> edition.page().of(visitor).listings().stream().filter(listing -> listing.table().equals(table))
                        .map(listing -> new PublishedListing(edition, listing, table(table)))).toList();
    }

    /**
     * The pages that the visitor gets to and on which there is something for them: rows that they may see, a form that they
     * may send, or, where nothing else on it is for them, words. By address, each as they may have it.
     */
    public Map<PageKey, Edition> openTo(Visitor visitor) {
        Map<PageKey, Edition> open = new LinkedHashMap<>();
        editions.forEach(edition -> open(edition, visitor).ifPresent(theirs -> open.put(theirs.page().key(), theirs)));
        return open;
    }

    /** One of these. */
    public Optional<Edition> openTo(Visitor visitor, PageKey key) {
        return edition(key).flatMap(edition -> open(edition, visitor));
    }

    private Optional<Edition> open(Edition edition, Visitor visitor) {
        return Optional.of(edition).filter(each -> each.page().access().lets(visitor))
                .map(each -> each.of(each.page().of(visitor))).filter(theirs -> hasSomething(theirs.page(), visitor));
    }

    private boolean hasSomething(Page page, Visitor visitor) {
        return page.listings().stream().anyMatch(listing -> maySee(visitor, listing.table()).isAllowed())
                || page.forms().stream().anyMatch(form -> may(visitor, Verb.ADD, form.table()).isAllowed()) || page.isOfWordsAlone();
    }

    /** The page at that address, where it is published and this visitor does not get to it. */
    public Optional<Page> closedTo(Visitor visitor, PageKey key) {
        return edition(key).map(Edition::page).filter(page -> !page.access().lets(visitor));
    }
}
