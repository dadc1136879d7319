package org.pressboard.sql;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.jooq.Collation;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.QueryPart;
import org.jooq.Select;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.source.Hosted;
import org.pressboard.table.Computed;
import org.pressboard.table.FieldType;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Folding;
import org.pressboard.value.PlainForm;

/** Compiles that one of some fields mentions a text; as far as it can, by the one folded text that each row has. */
final class MentionSql {

    private static final Collation CODE_POINTS = DSL.collation(DSL.name("pg_catalog", "C"));
    private static final Pattern TRIGRAM = Pattern.compile("[\\p{L}\\p{N}]{3}");

    private final FieldSql fields;
    private final String text;
    private final Field<String> pattern;

    MentionSql(FieldSql fields, String text) {
        this.fields = fields;
        this.text = text;
        this.pattern = containing(text);
    }

    /** A pattern of texts that have this one in them, folded as they are. */
    static Field<String> containing(String text) {
        return DSL.val("%" + escaped(text) + "%");
    }

    static String escaped(String text) {
        return Folding.fold(text).replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
    }

    /** The value folded as what is searched. */
    static Field<String> folded(Field<?> text) {
        return Hosted.folded(text);
    }

    /** The text that the rows at a place are searched in. */
    static Field<String> searched(Joins.Place place) {
        return DSL.field(place.column(Hosted.SEARCH_TEXT), SQLDataType.CLOB);
    }

    /** Asked of one row after the other, with what its references lead to at its side; unknown where there is nothing. */
    Condition rowByRow(Joins.Place place, List<FieldKey> keys) {
        List<Condition> parts = new ArrayList<>();
        List<FieldKey> own = keys.stream().filter(key -> isOwn(place, key)).toList();
        if (!own.isEmpty()) {
            parts.add(!fields.hasSearchText(place) ? DSL.or(own.stream().map(key -> in(place, key)).toList()) : own(place, own));
        }
        keys.stream().filter(key -> !own.contains(key)).forEach(key -> parts.add(other(place, key)));
        return parts.isEmpty() ? DSL.falseCondition() : DSL.or(parts);
    }

    /**
     * Asked of the table as a whole: which rows there are with the text, found for each table by the index of its own
     * texts. An "or" over several tables would have no index.
     *
     * @param apart how the table's fields are said in a query of their own
     */
    Condition bySets(Joins.Place root, List<FieldKey> keys, Apart apart) {
        List<FieldKey> own = keys.stream().filter(key -> isOwn(root, key)).toList();
        if (own.size() == keys.size()) {
            return rowByRow(root, keys);
        }
        List<Select<?>> sets = new ArrayList<>();
        if (!own.isEmpty()) {
            sets.add(apart.rows(with -> with.rowByRow(root, own), text));
        }
        keys.stream().filter(key -> !own.contains(key))
                .forEach(key -> sets.add(apart.rows(with -> with.rowByRow(root, List.of(key)), text)));
        QueryPart all = sets.stream().<QueryPart>map(set -> set)
                .reduce((some, more) -> DSL.sql("{0} union all {1}", some, more)).orElseThrow();
        return DSL.condition("{0} in ({1})", DSL.field(root.column(Hosted.ROW)), all);
    }

    /** Makes a query of its own for the numbers of the rows of the same table that meet something. */
    interface Apart {

        Select<?> rows(Function<MentionSql, Condition> meeting, String text);
    }

    private static boolean isOwn(Joins.Place place, FieldKey key) {
        return place.table().field(key).isSearchable();
    }

    /** The folded text has those of all fields; where some are not asked about, it must be in one that is. */
    private Condition own(Joins.Place place, List<FieldKey> keys) {
        Condition somewhere = somewhere(place);
        boolean isAll = keys.size() == place.table().searchable().size() && !text.contains(PlainForm.BETWEEN)
                && keys.stream().noneMatch(key -> fields.isPartly(place, key));
        return isAll ? somewhere : somewhere.and(DSL.or(keys.stream().map(key -> in(place, key)).toList()));
    }

    /**
     * Of one or two letters the index of trigrams knows nothing, and would be gone through from end to end, which takes
     * ten times as long as to go through the rows. Texts in another collation are none of its own.
     */
    private Condition somewhere(Joins.Place place) {
        Field<String> searched = searched(place);
        return (TRIGRAM.matcher(text).find() ? searched : searched.collate(CODE_POINTS)).like(pattern);
    }

    private Condition in(Joins.Place place, FieldKey key) {
        org.pressboard.table.Field field = place.table().field(key);
        Field<?> column = fields.column(place, field);
        return field.type().isSeveral()
                ? DSL.condition("exists (select from unnest({0}) _each where {1} like {2})", column,
                        folded(DSL.field(DSL.name("_each"))), pattern)
                : folded(column).like(pattern);
    }

    private Condition other(Joins.Place place, FieldKey key) {
        org.pressboard.table.Field field = place.table().field(key);
        return switch (field.computed()) {
            case Computed.Borrowed borrowed ->
                    rowByRow(fields.source(place, field, borrowed), List.of(borrowed.field()));
            case null -> switch (field.type().held()) {
                case ROW -> heading(fields.through(place, field, field.open()))
                        .or(fields.isOwnCalled(place, field, MentionSql::folded, pattern));
                case ROWS -> oneOfSeveral(fields.inner(place, field));
                case TEXT, TEXTS, WHOLE, DECIMAL, YES_NO, DATE, MOMENT, TIME, FILE, FILES -> shown(place, field);
            };
            case Computed.Composed composed -> shown(place, field);
            case Computed.Noted noted -> shown(place, field);
            case Computed.Tally tally -> field.type().held() == FieldType.Held.ROW
                    ? heading(fields.through(place, field, field.open())) : shown(place, field);
        };
    }

    private Condition oneOfSeveral(FieldSql.Inner inner) {
        Condition mentioned = new MentionSql(inner.fields(), text).heading(inner.place());
        return DSL.condition("exists (select {0} and ({1}))", inner.rows(), mentioned.or(inner.isMineCalled(MentionSql::folded,
                pattern)));
    }

    private Condition heading(Joins.Place there) {
        return rowByRow(there, there.table().headingField().map(heading -> List.of(heading.key())).orElse(List.of()));
    }

    private Condition shown(Joins.Place place, org.pressboard.table.Field field) {
        Field<?> shown = ValueSql.plainForm(fields.shown(place, field), field.type());
        return folded(shown.cast(SQLDataType.CLOB)).like(pattern);
    }
}
