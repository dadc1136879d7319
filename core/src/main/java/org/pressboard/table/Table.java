package org.pressboard.table;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.FieldKey;

/**
 * A table of the owner's: rows with typed fields.
 *
 * @param description what it is, for those who work at the desk; may be empty
 * @param heading     the field by which people know a row; {@code null}: the first that lends itself
 * @param rowKey      the field whose values stand in addresses of rows; {@code null}: the rows' numbers
 * @param people      the field with the e-mail address where this is the table of the members; else {@code null}
 * @param owner       the field by which a row is somebody's own, if of another table; {@code null}: none is
 * @param approval    the field that says whether a row has been let through; {@code null}: rows need not be
 * @param browsers    whether what people send who are not signed in is their own, each browser being one of them
 */
public record Table(TableKey key, String label, Fields fields, String description, @Nullable FieldKey heading,
                    @Nullable FieldKey rowKey, @Nullable FieldKey people, @Nullable FieldKey owner,
                    @Nullable FieldKey approval, boolean browsers) {

    public static final int LONGEST_LABEL = 100;

    public Table {
        if (label.isBlank()) {
            throw new IllegalArgumentException("The table " + key + " needs a label");
        }
    }

    public Table(TableKey key, String label, Fields fields) {
        this(key, label, fields, "", null, null, null, null, null, false);
    }

    /** Where its rows come from. */
    public Source source() {
        return Source.HOSTED;
    }

    /** @throws NoSuchField when the table has no such field */
    public Field field(FieldKey key) {
        return fields.get(key);
    }

    /** The field by which people know a row: the chosen one, else the first text, else the first that is no picture. */
    public Optional<Field> headingField() {
        Optional<Field> chosen = Optional.ofNullable(heading).flatMap(fields::find);
        return chosen.or(() -> Stream.concat(
                fields.stream().filter(field -> field.type() instanceof Textual.Text),
                fields.stream().filter(field -> !(field.type() instanceof Attached))).findFirst());
    }

    /** The fields that the table in the database has columns for. */
    public List<Field> columns() {
        return fields.stream().filter(Field::isColumn).toList();
    }

    /** The fields in whose columns words can be looked for. */
    public List<Field> searchable() {
        return fields.stream().filter(Field::isSearchable).toList();
    }

    /** These fields and those that composed texts among them are put together from, which are written each in its way. */
    public List<FieldKey> withParts(List<FieldKey> keys) {
        Set<FieldKey> all = new LinkedHashSet<>(keys);
        for (FieldKey key : keys) {
            if (field(key).computed() instanceof Computed.Composed composed) {
                all.addAll(withParts(composed.uses()));
            }
        }
        return List.copyOf(all);
    }

    /** The fields that people fill in. */
    public List<Field> entered() {
        return fields.stream().filter(Field::isEntered).toList();
    }

    public Table with(Fields others) {
        return new Table(key, label, others, description, kept(heading, others), kept(rowKey, others),
                kept(people, others), owner != null && owner.isThrough() ? owner : kept(owner, others),
                kept(approval, others), browsers);
    }

    private static @Nullable FieldKey kept(@Nullable FieldKey chosen, Fields fields) {
        return chosen != null && fields.has(chosen) ? chosen : null;
    }

    /** The same with one of its fields changed. */
    public Table changing(FieldKey which, UnaryOperator<Field> change) {
        return with(new Fields(fields.stream().map(field -> field.key().equals(which) ? change.apply(field) : field)
                .toList()));
    }

    public Table labelled(String other, String otherDescription) {
        return new Table(key, other, fields, otherDescription, heading, rowKey, people, owner, approval,
                browsers);
    }

    /** The same with rows known by these fields. */
    public Table knownBy(@Nullable FieldKey otherHeading, @Nullable FieldKey otherRowKey,
            @Nullable FieldKey otherPeople) {
        return new Table(key, label, fields, description, otherHeading, otherRowKey, otherPeople, owner,
                approval, browsers);
    }

    /** The same with rows that are somebody's own by that field. */
    public Table ownedBy(@Nullable FieldKey field) {
        return new Table(key, label, fields, description, heading, rowKey, people, field, approval,
                browsers);
    }

    /** The same with rows that wait until that field says yes; or that do not wait. */
    public Table approvedBy(@Nullable FieldKey field) {
        return new Table(key, label, fields, description, heading, rowKey, people, owner, field, browsers);
    }

    /** The same with rows of those who are not signed in their own, too, or not. */
    public Table countingBrowsers(boolean other) {
        return new Table(key, label, fields, description, heading, rowKey, people, owner, approval, other);
    }

    /** The field that says whether a row has been let through, where rows have to be. */
    public Optional<FieldKey> letThrough() {
        return Optional.ofNullable(approval).filter(key -> fields.find(key)
                .filter(field -> field.isEntered() && field.type() instanceof FieldType.YesNo).isPresent());
    }
}
