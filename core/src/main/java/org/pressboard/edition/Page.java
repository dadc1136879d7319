package org.pressboard.edition;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.pressboard.condition.Standpoint;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Names;
import org.pressboard.value.Value;

/**
 * A page as it is drafted or published: its title, what is said before all, and what it is made of, from top to bottom.
 *
 * <pre>{@code
 * Page trees = new Page(key, "Find a tree", List.of(listing)).holding(List.of(form)).leading("All that we have.");
 * }</pre>
 *
 * @param lead     what is said under the title; may be empty
 * @param unlisted whether the menu leaves it out
 * @param access   who gets to it
 */
public record Page(PageKey key, String title, String lead, boolean unlisted, List<Part> parts, Access access) {

    public static final int LONGEST_TITLE = 100;
    public static final int LONGEST_LEAD = 1_000;

    public Page {
        parts = List.copyOf(parts);
        if (title.isBlank()) {
            throw new IllegalArgumentException("The page " + key + " needs a title");
        }
    }

    public Page(PageKey key, String title, List<Listing> listings) {
        this(key, title, "", false, listings.stream().map(Page::open).toList(), Access.EVERYBODY);
    }

    private static Part open(Listing listing) {
        return new Part.OfListing(listing, Frame.USUAL);
    }

    private static Part open(Form form) {
        return new Part.OfForm(form, Frame.USUAL);
    }

    /** The same page at that address. */
    public Page at(PageKey address) {
        return new Page(address, title, lead, unlisted, parts, access);
    }

    public Page titled(String other) {
        return new Page(key, other, lead, unlisted, parts, access);
    }

    public Page leading(String other) {
        return new Page(key, title, other, unlisted, parts, access);
    }

    public Page listed(boolean inMenu) {
        return new Page(key, title, lead, !inMenu, parts, access);
    }

    public Page letting(Access other) {
        return new Page(key, title, lead, unlisted, parts, other);
    }

    /** The same made of those. */
    public Page of(List<Part> others) {
        return new Page(key, title, lead, unlisted, others, access);
    }

    /** The same with these listings in place of those it has, in their order; those that stay are set as they were. */
    public Page with(List<Listing> others) {
        return replacing(Part.OfListing.class, others.stream().map(Page::open).toList(), 0);
    }

    /** The same with these forms in place of those it has, in their order; those that stay are set as they were. */
    public Page holding(List<Form> others) {
        return replacing(Part.OfForm.class, others.stream().map(Page::open).toList(), parts.size());
    }

    /**
     * Parts of that kind take the places of those that there are, one by one; what is more follows behind the last place.
     *
     * @param first where they begin when there are none yet
     */
    private Page replacing(Class<? extends Part> kind, List<? extends Part> others, int first) {
        List<Integer> places = IntStream.range(0, parts.size()).filter(at -> kind.isInstance(parts.get(at))).boxed().toList();
        List<Part> all = new ArrayList<>();
        for (int at = 0; at <= parts.size(); at++) {
            int place = places.indexOf(at);
            boolean isLast = places.isEmpty() ? at == first : at == places.getLast();
            if (place >= 0 && place < others.size()) {
                all.add(setAsItWas(others.get(place)));
            }
            if (isLast && others.size() > places.size()) {
                others.subList(places.size(), others.size()).forEach(other -> all.add(setAsItWas(other)));
            }
            if (at < parts.size() && place < 0) {
                all.add(parts.get(at));
            }
        }
        return of(all);
    }

    private Part setAsItWas(Part part) {
        return find(part.key()).map(was -> part.framed(was.frame())).orElse(part);
    }

    private Optional<Part> find(Object key) {
        return parts.stream().filter(part -> part.key().equals(key)).findFirst();
    }

    /** The part at that place of it, if there is one. */
    public Optional<Part> part(String anchor) {
        return parts.stream().filter(part -> part.anchor().equals(anchor)).findFirst();
    }

    /** The same with one of its parts changed. */
    public Page changing(String anchor, UnaryOperator<Part> change) {
        return changing(part -> part.anchor().equals(anchor), change);
    }

    /** The same without one of its parts. */
    public Page without(String anchor) {
        return keeping(part -> !part.anchor().equals(anchor));
    }

    /** The same with its parts in that order; those that are not named stay behind the others. */
    public Page ordered(List<String> anchors) {
        return of(parts.stream().sorted(Comparator.comparingInt(part -> {
            int at = anchors.indexOf(part.anchor());
            return at < 0 ? anchors.size() : at;
        })).toList());
    }

    /** The same with words behind all else. */
    public Page telling(String heading, String text) {
        return adding(new Part.OfText(freeKey(heading), heading, text, Frame.USUAL));
    }

    /** The same with a picture behind all else. */
    public Page picturing(Value.Attachment picture, String words, String caption) {
        return adding(new Part.OfPicture(freeKey(caption.isEmpty() ? words : caption), picture, words, caption, Frame.USUAL));
    }

    /** Whether one of its pictures has that content. */
    public boolean hasPicture(String content) {
        return parts.stream().anyMatch(part -> part instanceof Part.OfPicture of && of.picture().content().equals(content));
    }

    /** The same with a rule behind all else. */
    public Page ruled(String heading) {
        return adding(new Part.OfRule(freeKey(heading), heading, Frame.USUAL));
    }

    private Page adding(Part part) {
        return of(Stream.concat(parts.stream(), Stream.of(part)).toList());
    }

    private PartKey freeKey(String words) {
        return PartKey.from(words, parts.stream().map(part -> part.key().toString()).collect(Collectors.toSet()));
    }

    private Stream<Part.OfListing> listingParts() {
        return parts.stream().filter(Part.OfListing.class::isInstance).map(Part.OfListing.class::cast);
    }

    private Stream<Part.OfForm> formParts() {
        return parts.stream().filter(Part.OfForm.class::isInstance).map(Part.OfForm.class::cast);
    }

    private Page changing(Predicate<Part> which, UnaryOperator<Part> change) {
        return of(parts.stream().map(part -> which.test(part) ? change.apply(part) : part).toList());
    }

    private Page keeping(Predicate<Part> which) {
        return of(parts.stream().filter(which).toList());
    }

    public List<Listing> listings() {
        return listingParts().map(Part.OfListing::listing).toList();
    }

    public List<Form> forms() {
        return formParts().map(Part.OfForm::form).toList();
    }

    public Optional<Listing> listing(ListingKey which) {
        return listings().stream().filter(listing -> listing.key().equals(which)).findFirst();
    }

    public Optional<Form> form(FormKey which) {
        return forms().stream().filter(form -> form.key().equals(which)).findFirst();
    }

    /** The form that most owners would want for that table, under a key that no other form of the page has. */
    public Form suggested(Table table, String title) {
        Set<String> taken = forms().stream().map(form -> form.key().name()).collect(Collectors.toSet());
        return Form.suggested(new FormKey(Names.unique(Names.from(title, "-", "form"), "-", taken)), table, title);
    }

    /** The same with that form behind the others. */
    public Page adding(Form form) {
        return holding(Stream.concat(forms().stream(), Stream.of(form)).toList());
    }

    /** The same with one of its listings changed. */
    public Page changing(ListingKey which, UnaryOperator<Listing> change) {
        return changing(part -> part.key().equals(which), part -> part instanceof Part.OfListing of ? of.with(change.apply(of.listing())) : part);
    }

    /** The same with one of its forms changed. */
    public Page changing(FormKey which, UnaryOperator<Form> change) {
        return changing(part -> part.key().equals(which), part -> part instanceof Part.OfForm of ? of.with(change.apply(of.form())) : part);
    }

    /** Those whom a listing is for; none: everybody who gets to the page. */
    public List<Audience> audiences(ListingKey listing) {
        return find(listing).map(Part::audiences).orElse(List.of());
    }

    /** The same as it is among these tables: without what is of those that are gone, or about fields that are. */
    public Page among(Tables tables) {
        return of(parts.stream().flatMap(part -> part.among(tables).stream()).toList());
    }

    /** The fields that something on it is about and that these tables have no more, such as those in the bin, by their table. */
    public Map<TableKey, Set<FieldKey>> missing(Tables tables) {
        return Missing.from(this, tables);
    }

    /** Whether rows of that table have a button on this page that opens the form about them. */
    public boolean hasButton(FormKey form, TableKey about) {
        return listings().stream().filter(listing -> listing.table().equals(about))
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

    /** Whether there is nothing on it. */
    public boolean isEmpty() {
        return parts.isEmpty();
    }

    /** Whether there is something on it, and nothing of it has rows or takes any. */
    public boolean isOfWordsAlone() {
        return !isEmpty() && parts.stream().allMatch(Part.OfOwner.class::isInstance);
    }

    /** The same without what is of that table. */
    public Page without(TableKey table) {
        return keeping(part -> part.table().filter(table::equals).isEmpty());
    }

    /** The same as that visitor may have it: without what is for others. */
    public Page of(Visitor visitor) {
        return parts.stream().allMatch(part -> part.lets(visitor)) ? this : keeping(part -> part.lets(visitor));
    }

    public Set<ListingKey> listingKeys() {
        return listings().stream().map(Listing::key).collect(Collectors.toUnmodifiableSet());
    }
}
