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
import org.pressboard.value.Value;

/** One of the things of which a page is made, how it is set into it, and whom it is for. */
public sealed interface Part {

    int LONGEST_HEADING = 100;

    /** By which it is told from the other parts of its page, whatever their kinds. */
    Object key();

    Frame frame();

    /** The same set otherwise into its page. */
    Part framed(Frame other);

    /** What stands over it; may be empty. */
    String heading();

    /** The table that it is of; empty where it is of none. */
    Optional<TableKey> table();

    /** The fields of that table that something on it is about, also such as it has no more. */
    Set<FieldKey> named();

    /** The same among these tables, without what they have no more; empty where its table is gone. */
    Optional<Part> among(Tables tables);

    /** Those whom it is for; none: everybody who gets to the page. Others find the page without it. */
    default List<Audience> audiences() {
        return frame().audiences();
    }

    /** The same for those. */
    default Part forThose(List<Audience> others) {
        return framed(frame().forThose(others));
    }

    /** Whether it is for somebody. */
    default boolean lets(Visitor visitor) {
        return Access.lets(audiences(), visitor);
    }

    /** Where an address leads to it, behind its page's and a {@code #}; also by which it is named in what the desk sends. */
    default String anchor() {
        return switch (this) {
            case OfListing of -> "sheet-" + of.key();
            case OfForm of -> "form-" + of.key();
            case OfOwner of -> "part-" + of.key();
        };
    }

    /** Rows of a table. */
    record OfListing(Listing listing, Frame frame) implements Part {

        @Override
        public OfListing framed(Frame other) {
            return new OfListing(listing, other);
        }

        @Override
        public ListingKey key() {
            return listing.key();
        }

        @Override
        public String heading() {
            return listing.dress().title();
        }

        OfListing with(Listing other) {
            return new OfListing(other, frame);
        }

        @Override
        public Optional<TableKey> table() {
            return Optional.of(listing.table());
        }

        @Override
        public Set<FieldKey> named() {
            return listing.named();
        }

        @Override
        public Optional<Part> among(Tables tables) {
            return tables.find(listing.table()).map(there -> with(listing.among(tables)));
        }
    }

    /** A form that adds rows. */
    record OfForm(Form form, Frame frame) implements Part {

        @Override
        public OfForm framed(Frame other) {
            return new OfForm(form, other);
        }

        @Override
        public FormKey key() {
            return form.key();
        }

        @Override
        public String heading() {
            return form.title();
        }

        OfForm with(Form other) {
            return new OfForm(other, frame);
        }

        @Override
        public Optional<TableKey> table() {
            return Optional.of(form.table());
        }

        @Override
        public Set<FieldKey> named() {
            return form.named();
        }

        @Override
        public Optional<Part> among(Tables tables) {
            return tables.find(form.table()).map(there -> with(form.of(tables, there)));
        }
    }

    /** What the owner says or shows there, which is of no table. */
    sealed interface OfOwner extends Part {

        @Override
        PartKey key();

        /** What it is called, or what it says; may be empty. */
        String called();

        @Override
        default Optional<TableKey> table() {
            return Optional.empty();
        }

        @Override
        default Set<FieldKey> named() {
            return Set.of();
        }

        @Override
        default Optional<Part> among(Tables tables) {
            return Optional.of(this);
        }
    }

    /**
     * Words of the owner.
     *
     * @param text as CommonMark; may be empty
     */
    record OfText(PartKey key, String heading, String text, Frame frame) implements OfOwner {

        public static final int LONGEST_TEXT = 20_000;

        @Override
        public OfText framed(Frame other) {
            return new OfText(key, heading, text, other);
        }

        @Override
        public String called() {
            return heading.isEmpty() ? text : heading;
        }

        /** The same with other words. */
        public OfText saying(String heading, String text) {
            return new OfText(key, heading, text, frame);
        }
    }

    /**
     * A picture of the owner's.
     *
     * @param words   for those who do not see it; empty: it adds nothing to what is read
     * @param caption what is said under it; may be empty
     */
    record OfPicture(PartKey key, Value.Attachment picture, String words, String caption, Frame frame) implements OfOwner {

        public static final int LONGEST_WORDS = 300;

        @Override
        public OfPicture framed(Frame other) {
            return new OfPicture(key, picture, words, caption, other);
        }

        /** The same with other words. */
        public OfPicture saying(String words, String caption) {
            return new OfPicture(key, picture, words, caption, frame);
        }

        @Override
        public String heading() {
            return "";
        }

        @Override
        public String called() {
            return !caption.isEmpty() ? caption : !words.isEmpty() ? words : picture.name();
        }
    }

    /** A rule across the page that parts what is above it from what is below; with a heading, that one stands under it. */
    record OfRule(PartKey key, String heading, Frame frame) implements OfOwner {

        @Override
        public OfRule framed(Frame other) {
            return new OfRule(key, heading, other);
        }

        @Override
        public String called() {
            return heading;
        }

        /** The same with another heading. */
        public OfRule saying(String other) {
            return new OfRule(key, other, frame);
        }
    }
}
