package org.pressboard.sheet;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.editing.FormSending;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Deed;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Sending;
import org.pressboard.problem.Problem;
import org.pressboard.sheet.line.InPlace;
import org.pressboard.stand.Addresses;
import org.pressboard.stand.Asking;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.words.Words;

/**
 * What the visitor may change of a listing: as far as the listing offers it and grants let them.
 *
 * @param add    where a row is added; {@code null}: they may not
 * @param rows   for each row that they may do something with, where
 * @param several what is done with several rows picked
 * @param inPlace the fields whose values are changed where they stand, and in which rows
 */
public record Offered(@Nullable String add, Map<RowId, List<Link>> rows, Several several, InPlace inPlace) {

    static final Offered NOTHING = new Offered(null, Map.of(), new Several(null, Set.of()),
            new InPlace(Set.of(), Set.of()));

    /** Where something is done, and what it is called; {@code null}: nowhere, and why not. */
    public record Link(@Nullable String address, String text) {
    }

    /** Where something is done with several rows picked, and which these can be; {@code null}: nothing is done. */
    public record Several(@Nullable String address, Set<RowId> rows) {
    }

    boolean isAny() {
        return !rows.isEmpty();
    }

    SheetFrame.Doing doing() {
        return new SheetFrame.Doing(add, several.address, isAny());
    }

    List<Link> of(RowId row) {
        return rows.getOrDefault(row, List.of());
    }

    static Offered of(VisitorEditing editing, FormSending forms, Asking asking, Collection<RowId> rows, Words words) {
        return !asking.listing().changing().isAny() || !asking.addresses().isChangeable() ? NOTHING
                : new Offering(editing, forms, asking, rows, words).offered();
    }

    /** Works out what is offered. For one use. */
    private static final class Offering {

        private final VisitorEditing editing;
        private final FormSending forms;
        private final Visitor visitor;
        private final Table table;
        private final Listing listing;
        private final Changing changing;
        private final Addresses addresses;
        private final Collection<RowId> rows;
        private final Words words;

        private Offering(VisitorEditing editing, FormSending forms, Asking asking, Collection<RowId> rows, Words words) {
            this.editing = editing;
            this.forms = forms;
            this.visitor = asking.visitor();
            this.table = asking.table();
            this.listing = asking.listing();
            this.changing = listing.changing();
            this.addresses = asking.addresses();
            this.rows = rows;
            this.words = words;
        }

        Offered offered() {
            Set<Verb> verbs = EnumSet.noneOf(Verb.class);
            if (changing.change() || !changing.deeds().isEmpty()) {
                verbs.add(Verb.CHANGE);
            }
            if (changing.remove()) {
                verbs.add(Verb.REMOVE);
            }
            Map<Verb, Set<RowId>> may = editing.may(visitor, verbs, table.key(), rows);
            Set<RowId> changeable = may.getOrDefault(Verb.CHANGE, Set.of());
            Map<RowId, List<Link>> links = new HashMap<>();
            sending(links);
            changing.deeds().forEach(deed -> deed(deed, changeable, links));
            if (changing.change()) {
                changeable.forEach(row -> add(links, row, addresses.changing("/" + row + "/change"), words.say("change.change")));
            }
            if (changing.remove()) {
                // of a row that is changed, the form leads on to that
                Set<RowId> others = new TreeSet<>(may.getOrDefault(Verb.REMOVE, Set.of()));
                others.removeAll(changing.change() ? changeable : Set.of());
                others.forEach(row -> add(links, row, addresses.changing("/" + row + "/remove"), words.say("change.remove")));
            }
            boolean mayAdd = changing.add() && editing.mayAdd(visitor, table.key());
            boolean isInPlace = changing.change() && changing.inPlace() && addresses.isOnSite();
            return new Offered(mayAdd ? addresses.changing("/add") : null, links, several(changeable, may),
                    isInPlace ? new InPlace(fields(changeable), changeable) : NOTHING.inPlace);
        }

        private Several several(Set<RowId> changeable, Map<Verb, Set<RowId>> may) {
            Set<RowId> picked = new HashSet<>(changing.change() ? changeable : Set.of());
            picked.addAll(may.getOrDefault(Verb.REMOVE, Set.of()));
            return changing.several() && addresses.isOnSite() && !picked.isEmpty()
                    ? new Several(addresses.changing("/several"), picked) : NOTHING.several;
        }

        /** Of those that are filled in, the ones that stand somewhere, in the list or on an opened row. */
        private Set<FieldKey> fields(Set<RowId> changeable) {
            boolean letsThrough = editing.mayLetThrough(visitor, table.key());
            Set<FieldKey> fields = changing.filled(table, listing.shown()).stream().filter(Changing::canBeTyped).map(Field::key)
                    .filter(key -> listing.seen().contains(key) && (letsThrough || !key.equals(table.approval())))
                    .collect(Collectors.toSet());
            fields.removeAll(editing.leftOut(visitor, Verb.CHANGE, table.key(), fields, changeable));
            return fields;
        }

        private void deed(Deed deed, Set<RowId> changeable, Map<RowId, List<Link>> links) {
            Set<RowId> open = editing.open(visitor, Verb.CHANGE, table.key(), deed.given(), changeable);
            editing.among(visitor, table.key(), deed.when(), open).forEach(row ->
                    add(links, row, addresses.changing("/" + row + "/do/" + deed.key()), deed.label()));
        }

        private void sending(Map<RowId, List<Link>> links) {
            for (Sending sending : changing.sending()) {
                if (editing.mayAdd(visitor, sending.into())) {
                    Map<RowId, Problem> shut = forms.shut(listing.key(), sending, visitor, rows);
                    rows.forEach(row -> {
                        if (shut.containsKey(row)) {
                            add(links, row, null, words.say("offered." + shut.get(row).code(), sending.label()));
                        } else {
                            add(links, row, addresses.sending(sending.form(), sending.by().name(), row), sending.label());
                        }
                    });
                }
            }
        }

        private static void add(Map<RowId, List<Link>> links, RowId row, @Nullable String address, String text) {
            links.computeIfAbsent(row, key -> new ArrayList<>()).add(new Link(address, text));
        }
    }
}
