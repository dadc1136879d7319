package org.pressboard.listing;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;

/**
 * What visitors may change from the page, as far as grants let them.
 *
 * @param fields  the fields that they fill in, in their order; none: those that are shown
 * @param inPlace whether single values are changed where they stand
 * @param inSlip  whether forms are laid over the list; else each is a page of its own
 * @param several whether several rows are picked and changed or removed at once
 * @param deeds   buttons that do one thing to a row
 * @param sending buttons that open a form about a row
 */
public record Changing(boolean add, boolean change, boolean remove, List<FieldKey> fields, boolean inPlace,
                       boolean inSlip, boolean several, List<Deed> deeds, List<Sending> sending) {

    public static final Changing NOTHING = new Changing(false, false, false, List.of(), false, false, false, List.of(),
            List.of());

    public Changing {
        fields = fields == null ? List.of() : List.copyOf(fields);
        deeds = deeds == null ? List.of() : List.copyOf(deeds);
        sending = sending == null ? List.of() : List.copyOf(sending);
    }

    public boolean isAny() {
        return add || change || remove || !deeds.isEmpty() || !sending.isEmpty();
    }

    public Changing with(boolean mayAdd, boolean mayChange, boolean mayRemove) {
        return new Changing(mayAdd, mayChange, mayRemove, fields, inPlace, inSlip, several, deeds, sending);
    }

    public Changing inPlace(boolean isInPlace) {
        return new Changing(add, change, remove, fields, isInPlace, inSlip, several, deeds, sending);
    }

    public Changing inSlip(boolean isInSlip) {
        return new Changing(add, change, remove, fields, inPlace, isInSlip, several, deeds, sending);
    }

    public Changing severally(boolean areSeveral) {
        return new Changing(add, change, remove, fields, inPlace, inSlip, areSeveral, deeds, sending);
    }

    public Changing filling(List<FieldKey> others) {
        return new Changing(add, change, remove, others, inPlace, inSlip, several, deeds, sending);
    }

    public Changing doing(List<Deed> others) {
        return new Changing(add, change, remove, fields, inPlace, inSlip, several, others, sending);
    }

    public Changing sending(List<Sending> others) {
        return new Changing(add, change, remove, fields, inPlace, inSlip, several, deeds, others);
    }

    /** The fields that are filled in, or that a button is about. */
    Set<FieldKey> named() {
        Set<FieldKey> named = new LinkedHashSet<>(fields);
        deeds.forEach(deed -> {
            named.addAll(deed.when().fields());
            named.addAll(deed.given());
        });
        return named;
    }

    /** The same for those fields only; where none is left of those that are filled in, nothing is. */
    Changing among(Predicate<FieldKey> which) {
        List<FieldKey> left = fields.stream().filter(which).toList();
        boolean isNone = left.isEmpty() && !fields.isEmpty();
        return with(add && !isNone, change && !isNone, remove).filling(left)
                .doing(deeds.stream().filter(deed -> deed.isAmong(which)).toList());
    }

    /**
     * The fields of the table that are filled in. Never the one by which a row is somebody's own, which is set to whoever
     * adds the row.
     */
    public List<Field> filled(Table table, List<FieldKey> shown) {
        return (fields.isEmpty() ? shown : fields).stream().flatMap(key -> table.fields().find(key).stream())
                .filter(field -> canBeFilled(table, field)).toList();
    }

    /** Whether visitors could fill the field in. */
    public static boolean canBeFilled(Table table, Field field) {
        return field.isEntered() && !field.key().equals(table.owner());
    }

    /** Whether the value could be changed where it stands: files are brought with a form. */
    public static boolean canBeTyped(Field field) {
        return !(field.type() instanceof Attached);
    }

    /** Whether several rows could be given the same: of rows referred to, those that somebody does not see are not the same. */
    public static boolean canBeSame(Field field) {
        return canBeTyped(field) && !(field.type() instanceof Referring.References);
    }
}
