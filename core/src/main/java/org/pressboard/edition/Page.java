package org.pressboard.edition;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.pressboard.condition.Standpoint;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * A page as it is drafted or published: its title, what is said before all, and the listings on it, from top to bottom.
 *
 * @param lead     what is said under the title; may be empty
 * @param unlisted whether the menu leaves it out
 * @param access   who gets to it
 * @param forms    the forms on it, below the listings
 */
public record Page(PageKey key, String title, String lead, boolean unlisted, List<Listing> listings, Access access,
                   List<Form> forms) {

    public static final int LONGEST_TITLE = 100;
    public static final int LONGEST_LEAD = 1_000;

    public Page {
        lead = Objects.requireNonNullElse(lead, "");
        listings = List.copyOf(listings);
        access = Objects.requireNonNullElse(access, Access.EVERYBODY);
        forms = forms == null ? List.of() : List.copyOf(forms);
        if (title.isBlank()) {
            throw new IllegalArgumentException("The page " + key + " needs a title");
        }
    }

    public Page(PageKey key, String title, List<Listing> listings) {
        this(key, title, "", false, listings, Access.EVERYBODY, List.of());
    }

    /** The same page at that address. */
    public Page at(PageKey address) {
        return new Page(address, title, lead, unlisted, listings, access, forms);
    }

    public Page titled(String other) {
        return new Page(key, other, lead, unlisted, listings, access, forms);
    }

    public Page leading(String other) {
        return new Page(key, title, other, unlisted, listings, access, forms);
    }

    public Page listed(boolean inMenu) {
        return new Page(key, title, lead, !inMenu, listings, access, forms);
    }

    public Page with(List<Listing> others) {
        return new Page(key, title, lead, unlisted, others, access, forms);
    }

    /**
     * The same as it is among these tables: without the listings of those that are gone, and the others without fields that
     * are (see {@link Listing#among}).
     */
    public Page among(Tables tables) {
        return with(listings.stream().filter(listing -> tables.find(listing.table()).isPresent())
                .map(listing -> listing.among(tables)).toList())
                .holding(forms.stream().flatMap(form -> tables.find(form.table()).stream()
                        .map(table -> form.of(tables, table))).toList());
    }

    /** The fields that something on it is about and that these tables have no more, such as those in the bin, by their table. */
    public Map<TableKey, Set<FieldKey>> missing(Tables tables) {
        return Missing.from(this, tables);
    }

    public Page letting(Access other) {
        return new Page(key, title, lead, unlisted, listings, other, forms);
    }

    public Page holding(List<Form> others) {
        return new Page(key, title, lead, unlisted, listings, access, others);
    }

    /** Whether rows of that table have a button on this page that opens the form about them. */
    public boolean hasButton(FormKey form, TableKey about) {
        return listings.stream().filter(listing -> listing.table().equals(about))
                .flatMap(listing -> listing.changing().sending().stream()).anyMatch(each -> each.form().equals(form.name()));
    }

    /** What there is to it for whoever looks. */
    public Standpoint.OnPage here() {
        return new Standpoint.OnPage(title, key.name());
    }

    /** What rows remember a form of this page by. */
    public String remembered(Form form) {
        return key + "/" + form.key();
    }

    public Optional<Form> form(FormKey which) {
        return forms.stream().filter(form -> form.key().equals(which)).findFirst();
    }

    /** The same with one of its forms changed. */
    public Page changing(FormKey which, UnaryOperator<Form> change) {
        return holding(forms.stream().map(form -> form.key().equals(which) ? change.apply(form) : form).toList());
    }

    /** Whether there is nothing on it. */
    public boolean isEmpty() {
        return listings.isEmpty() && forms.isEmpty();
    }

    /** The same without what is of that table. */
    public Page without(TableKey table) {
        return with(listings.stream().filter(listing -> !listing.table().equals(table)).toList())
                .holding(forms.stream().filter(form -> !form.table().equals(table)).toList());
    }

    /** The same as that visitor may have it: without listings that are for others. */
    public Page of(Visitor visitor) {
        List<Listing> theirs = listings.stream().filter(listing -> access.lets(visitor, listing.key())).toList();
        return theirs.size() == listings.size() ? this : with(theirs);
    }

    public Optional<Listing> listing(ListingKey which) {
        return listings.stream().filter(listing -> listing.key().equals(which)).findFirst();
    }

    /** The same with one of its listings changed. */
    public Page changing(ListingKey which, UnaryOperator<Listing> change) {
        return with(listings.stream().map(listing -> listing.key().equals(which) ? change.apply(listing) : listing)
                .toList());
    }

    public Set<ListingKey> listingKeys() {
        return listings.stream().map(Listing::key).collect(Collectors.toUnmodifiableSet());
    }
}
