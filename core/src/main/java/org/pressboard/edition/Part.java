package org.pressboard.edition;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/** One of the things of which a page is made, and whom it is for. */
public sealed interface Part {

    /** Those whom it is for; none: everybody who gets to the page. Others find the page without it. */
    List<Audience> audiences();

    /** The same for those. */
    Part forThose(List<Audience> others);

    /** By which it is told from the other parts of its page. */
    Object key();

    /** The table that it is of. */
    TableKey table();

    /** The fields that something on it is about, also such as its table has no more. */
    Set<FieldKey> named();

    /** The same among these tables, without what they have no more; empty where its table is gone. */
    Optional<Part> among(Tables tables);

    /** Whether it is for somebody. */
    default boolean lets(Visitor visitor) {
        return Access.lets(audiences(), visitor);
    }

    /** Rows of a table. */
    record OfListing(Listing listing, List<Audience> audiences) implements Part {

        public OfListing {
            audiences = List.copyOf(audiences);
        }

        @Override
        public OfListing forThose(List<Audience> others) {
            return new OfListing(listing, others);
        }

        @Override
        public ListingKey key() {
            return listing.key();
        }

        OfListing with(Listing other) {
            return new OfListing(other, audiences);
        }

        @Override
        public TableKey table() {
            return listing.table();
        }

        @Override
        public Set<FieldKey> named() {
            return listing.named();
        }

        @Override
        public Optional<Part> among(Tables tables) {
            return tables.find(table()).map(there -> with(listing.among(tables)));
        }
    }

    /** A form that adds rows. */
    record OfForm(Form form, List<Audience> audiences) implements Part {

        public OfForm {
            audiences = List.copyOf(audiences);
        }

        @Override
        public OfForm forThose(List<Audience> others) {
            return new OfForm(form, others);
        }

        @Override
        public FormKey key() {
            return form.key();
        }

        OfForm with(Form other) {
            return new OfForm(other, audiences);
        }

        @Override
        public TableKey table() {
            return form.table();
        }

        @Override
        public Set<FieldKey> named() {
            return form.named();
        }

        @Override
        public Optional<Part> among(Tables tables) {
            return tables.find(table()).map(there -> with(form.of(tables, there)));
        }
    }
}
