package org.pressboard.sql;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jooq.Collation;
import org.jooq.Condition;
import org.jooq.DataType;
import org.jooq.Field;
import org.jooq.Name;
import org.jooq.Param;
import org.jooq.QueryPart;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.condition.Operand;
import org.pressboard.grant.Sight;
import org.pressboard.source.Hosted;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.FieldType;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;

/**
 * What fields come to in a row, as expressions of one query. What a reference leads to counts as far as whoever asks may
 * see it; where they may not, it is as if nothing were there.
 */
final class FieldSql {

    private final Sight sight;
    private final Joins joins;
    private final OperandSql operands;
    private final Collation collation;
    private final boolean underLock;

    /** @param underLock whether the query is executed under row security, where columns may be closed */
    FieldSql(Sight sight, Joins joins, OperandSql operands, Collation collation, boolean underLock) {
        this.sight = sight;
        this.joins = joins;
        this.operands = operands;
        this.collation = collation;
        this.underLock = underLock;
    }

    /** The same over other rows. */
    FieldSql over(Joins others) {
        return new FieldSql(sight, others, operands, collation, underLock);
    }

    /** What is read: for a reference, what the row referred to is called. */
    Field<?> shown(Joins.Place place, org.pressboard.table.Field field) {
        return switch (field.computed()) {
            case null -> entered(place, field);
            case Computed.Tally tally -> tally.ofSeen() ? ofSeen(place, field, tally) : column(place, field);
            case Computed.Borrowed borrowed -> borrowed(place, field, borrowed, true);
            case Computed.Composed composed -> composed(place, composed);
            case Computed.Noted noted -> place.open() ? DSL.castNull(ValueSql.columnType(field.type()))
                    : noted(place, noted.what());
        };
    }

    /** Moments as clocks where the site is show them, to the minute; of senders those who can be written to. */
    private static Field<?> noted(Joins.Place place, Computed.Note what) {
        return switch (what) {
            case ADDED -> moment(place, Hosted.ADDED_AT);
            case CHANGED -> moment(place, Hosted.CHANGED_AT);
            case ADDED_BY -> DSL.field(place.column(Hosted.ADDED_BY), SQLDataType.CLOB);
            case CHANGED_BY -> DSL.field(place.column(Hosted.CHANGED_BY), SQLDataType.CLOB);
            case SENDER -> DSL.field("case when {0} like '%@%' then {0} end", SQLDataType.CLOB, place.column(Hosted.SENDER));
            case FORM -> DSL.field(place.column(Hosted.FORM), SQLDataType.CLOB);
        };
    }

    /** By the site's clocks, said outright, so that an index can hold it. */
    private static Field<?> moment(Joins.Place place, Name column) {
        return DSL.field("date_trunc('minute', timezone({0}, {1}))", SQLDataType.LOCALDATETIME, zone(ZoneId.systemDefault()),
                place.column(column));
    }

    /** PostgreSQL reads the sign of zones such as GMT+2 the other way round, of intervals it does not. */
    private static Field<?> zone(ZoneId zone) {
        return zone.getRules().isFixedOffset() ? DSL.field("interval {0}", DSL.inline(
                zone.getRules().getOffset(Instant.EPOCH).getTotalSeconds() + " seconds")) : DSL.inline(zone.getId());
    }

    private Field<?> entered(Joins.Place place, org.pressboard.table.Field field) {
        return switch (field.type().held()) {
            case ROW -> orOwn(place, field, called(through(place, field, field.open())), Operand.OfVisitor.NAME);
            case ROWS -> several(place, field, true);
            case TEXT, TEXTS, WHOLE, DECIMAL, YES_NO, DATE, MOMENT, TIME, FILE, FILES -> column(place, field);
        };
    }

    /**
     * People always see who they are themselves, whether they may see rows of members or not: where a reference leads to
     * their own row, what they are called, or its number.
     */
    private Field<?> orOwn(Joins.Place place, org.pressboard.table.Field reference, Field<?> seen, Operand.OfVisitor own) {
        return isAlwaysSeen(reference) ? seen : DSL.field("coalesce({0}, case when {1} = {2} then {3} end)", seen.getDataType(),
                seen, column(place, reference), me(), operands.of(own, seen.getDataType()));
    }

    /** That a reference leads to the row of whoever looks, and that they are called something like it. */
    Condition isOwnCalled(Joins.Place place, org.pressboard.table.Field reference, UnaryOperator<Field<?>> folded, Field<?> pattern) {
        return isAlwaysSeen(reference) ? DSL.falseCondition() : DSL.condition("{0} = {1} and {2} like {3}",
                column(place, reference), me(), folded.apply(operands.of(Operand.OfVisitor.NAME, SQLDataType.CLOB)), pattern);
    }

    private Field<?> me() {
        return operands.of(Operand.OfVisitor.ROW, SQLDataType.BIGINT);
    }

    /** Whether it leads nowhere that somebody might not see, or never to whoever looks. */
    private boolean isAlwaysSeen(org.pressboard.table.Field reference) {
        TableKey target = sight.tables().target(reference).key();
        return reference.open() || !sight.tables().people().equals(Optional.of(target)) || !(me() instanceof Param)
                || sight.rows(target).equals(org.pressboard.condition.Condition.ALWAYS);
    }

    /** What tells the value from others: of a reference, the number of the row. */
    Field<?> told(Joins.Place place, org.pressboard.table.Field field) {
        if (!(field.type() instanceof Referring)) {
            return shown(place, field);
        }
        if (field.isEntered() && field.type().isSeveral()) {
            return several(place, field, false);
        }
        return field.computed() instanceof Computed.Borrowed borrowed ? borrowed(place, field, borrowed, false)
                : rowReferredTo(place, field);
    }

    /** The column of a field that has one, as it is. */
    static Field<?> bare(Joins.Place place, org.pressboard.table.Field field) {
        return DSL.field(place.column(field.key().name()), ValueSql.columnType(field.type()));
    }

    /** The column of a field that has one, as far as it is seen. */
    Field<?> column(Joins.Place place, org.pressboard.table.Field field) {
        org.pressboard.condition.Condition in = place.open() ? null
                : sight.partly(place.table().key()).get(field.key());
        if (in == null) {
            return bare(place, field);
        }
        if (underLock) {
            return DSL.field("(select _partly.{0} from {1} as _partly where _partly.{2} = {3})",
                    ValueSql.columnType(field.type()), DSL.name(field.key().name()),
                    Hosted.partly(place.table().key()), Hosted.ROW,
                    DSL.field(place.column(Hosted.ROW)));
        }
        return in.equals(org.pressboard.condition.Condition.ALWAYS) ? bare(place, field)
                : DSL.when(asIs(place, in), bare(place, field));
    }

    /** Whether all that is searched of the rows at a place may be looked at. */
    boolean hasSearchText(Joins.Place place) {
        return !place.open() && !(underLock && sight.isPartly(place.table().key()));
    }

    /** Whether a field at a place is not seen in all rows that are. */
    boolean isPartly(Joins.Place place, FieldKey field) {
        return !place.open() && !org.pressboard.condition.Condition.ALWAYS
                .equals(sight.partly(place.table().key()).getOrDefault(field, org.pressboard.condition.Condition.ALWAYS));
    }

    /**
     * That a row is seen. Where some fields are not, asked of the row as it is; under the lock, of which this is no more than
     * the first half, not where a column would have to be opened for that.
     */
    Condition seen(Joins.Place place) {
        org.pressboard.condition.Condition rows = sight.rows(place.table().key());
        Map<FieldKey, org.pressboard.condition.Condition> partly = sight.partly(place.table().key());
        if (partly.isEmpty()) {
            return new ConditionSql(this, place, operands).of(rows);
        }
        boolean isClosed = rows.fields().stream().map(field -> field.way().getFirst()).anyMatch(partly::containsKey);
        return underLock && isClosed ? DSL.trueCondition() : asIs(place, rows);
    }

    private Condition asIs(Joins.Place place, org.pressboard.condition.Condition condition) {
        return new ConditionSql(new FieldSql(Sight.whole(sight.tables().with(place.table()), place.table().key()), joins,
                operands, collation, false), place, operands).of(condition);
    }

    /** A value as it is sorted: texts in the order of the language, choices in that of their options. */
    Field<?> sorted(Field<?> value, FieldType type) {
        return type instanceof Chosen.Choice choice ? ranked(value, choice) : collated(value);
    }

    /** The place that {@link Chosen.Choice#placeOf} gives; written out, so that an index can hold it. */
    static Field<Integer> ranked(Field<?> value, Chosen.Choice choice) {
        List<? extends Field<String>> options = choice.options().stream().map(option -> DSL.inline(option.text())).toList();
        return DSL.field("case when {0} is not null then coalesce(array_position(array[{1}]::text[], {0}) - 1, {2}) end",
                Integer.class, value, DSL.list(options), DSL.inline(options.size()));
    }

    /** Texts in the order of the language. */
    @SuppressWarnings("unchecked")
    Field<?> collated(Field<?> field) {
        return TableSql.isText(field) ? ((Field<String>) field).collate(collation) : field;
    }

    /** The rows that a field refers to, as far as they are seen: what they are called, or their numbers. */
    private Field<?> several(Joins.Place place, org.pressboard.table.Field field, boolean called) {
        Inner inner = inner(place, field);
        Field<?> each = called ? inner.heading() : DSL.field("referred.row", Long.class);
        DataType<?> type = called ? SQLDataType.CLOB.array() : SQLDataType.BIGINT.array();
        return DSL.field("(select array_agg({0} order by referred.place) {1})::{2}[]", type, each, inner.rows,
                DSL.keyword(called ? "text" : "bigint"));
    }

    /**
     * The rows that a field with several refers to, in a query of their own.
     *
     * @param rows from where they come, behind "select"
     * @param mine whether the row of whoever looks is among them though they may not see it
     */
    record Inner(FieldSql fields, Joins.Place place, QueryPart rows, boolean mine) {

        private Field<?> heading() {
            Field<?> called = fields.called(place);
            return mine ? DSL.field("case when {0} is null then {1} else {2} end", called.getDataType(), place.column(Hosted.ROW),
                    fields.operands.of(Operand.OfVisitor.NAME, called.getDataType()), called) : called;
        }

        /** That one of the rows is that of whoever looks, and that they are called something like it. */
        Condition isMineCalled(UnaryOperator<Field<?>> folded, Field<?> pattern) {
            return mine ? DSL.condition("referred.row = {0} and {1} like {2}", fields.me(), folded.apply(fields.operands.of(
                    Operand.OfVisitor.NAME, SQLDataType.CLOB)), pattern) : DSL.falseCondition();
        }
    }

    Inner inner(Joins.Place outer, org.pressboard.table.Field field) {
        Table target = sight.tables().target(field);
        Joins.Place place = new Joins.Place(target, outer.alias() + ">" + field.key(), field.open());
        Joins own = new Joins(DSL.sql("{0} as {1}", place.source(), DSL.name(place.alias())));
        FieldSql fields = over(own);
        Condition seen = field.open() ? DSL.trueCondition() : fields.seen(place);
        boolean mine = !isAlwaysSeen(field);
        QueryPart rows = mine ? DSL.sql("from unnest({0}) with ordinality as referred (row, place) left join ({1}) on {2} = "
                + "referred.row and ({3}) where ({2} is not null or referred.row = {4})", column(outer, field), own,
                place.column(Hosted.ROW), seen, me())
                : DSL.sql("from unnest({0}) with ordinality as referred (row, place), {1} where {2} = referred.row and ({3})",
                        column(outer, field), own, place.column(Hosted.ROW), seen);
        return new Inner(fields, place, rows, mine);
    }

    /** Where all rows referred to are seen, the reference itself tells; no row need be looked at. */
    private Field<?> rowReferredTo(Joins.Place place, org.pressboard.table.Field reference) {
        boolean isOpen = reference.open() || sight.rows(sight.tables().target(reference).key())
                .equals(org.pressboard.condition.Condition.ALWAYS);
        return isOpen ? column(place, reference) : orOwn(place, reference,
                DSL.field(through(place, reference, false).column(Hosted.ROW), Long.class), Operand.OfVisitor.ROW);
    }

    /** What the row at a place is called. */
    private Field<?> called(Joins.Place there) {
        org.pressboard.table.Field heading = there.table().headingField().orElseThrow(
                () -> new IllegalStateException("Nothing names the rows of " + there.table().key()));
        Field<?> shown = shown(there, heading);
        return TableSql.isText(shown) ? shown
                : ValueSql.plainForm(shown, heading.type()).cast(SQLDataType.CLOB);
    }

    private Field<?> borrowed(Joins.Place place, org.pressboard.table.Field of, Computed.Borrowed borrowed,
            boolean isShown) {
        Joins.Place at = source(place, of, borrowed);
        org.pressboard.table.Field field = at.table().field(borrowed.field());
        return isShown ? shown(at, field) : told(at, field);
    }

    /** A tally over the rows that are seen by whoever asks. */
    private Field<?> ofSeen(Joins.Place place, org.pressboard.table.Field field, Computed.Tally tally) {
        Table referring = sight.tables().get(tally.table());
        Joins.Place rows = new Joins.Place(referring, place.alias() + "<" + field.key(), false);
        FieldSql fields = over(new Joins(Hosted.name(referring)));
        Condition taken = new ConditionSql(fields, rows, operands).of(tally.where()).and(fields.seen(rows));
        QueryPart worked = new TallySql(DSL.name(place.alias()), referring, DSL.name(rows.alias()), taken, collation)
                .of(field, tally, key -> fields.column(rows, referring.field(key)));
        return DSL.field("{0}", ValueSql.columnType(field.type()), worked);
    }

    /** Where a borrowed field is taken from. */
    Joins.Place source(Joins.Place place, org.pressboard.table.Field of, Computed.Borrowed borrowed) {
        Joins.Place at = place;
        for (FieldKey key : borrowed.through()) {
            at = through(at, at.table().field(key), of.open());
        }
        return at;
    }

    /** Nothing where none of its fields has anything. */
    private Field<?> composed(Joins.Place place, Computed.Composed composed) {
        List<Field<?>> pieces = new ArrayList<>();
        List<Condition> filled = new ArrayList<>();
        for (Computed.Part part : composed.parts()) {
            switch (part) {
                case Computed.Part.Words(String text) -> pieces.add(DSL.inline(text));
                case Computed.Part.OfField(FieldKey key) -> {
                    org.pressboard.table.Field field = place.table().field(key);
                    Field<?> shown = shown(place, field);
                    pieces.add(DSL.coalesce(ValueSql.plainForm(shown, field.type()).cast(SQLDataType.CLOB), ""));
                    filled.add(shown.isNotNull());
                }
            }
        }
        Field<String> text = DSL.concat(pieces.toArray(Field<?>[]::new)).cast(SQLDataType.CLOB);
        return filled.isEmpty() ? text : DSL.when(DSL.or(filled), text);
    }

    /**
     * Where a reference leads to.
     *
     * @param open whether what is shown of it is seen by all
     */
    Joins.Place through(Joins.Place place, org.pressboard.table.Field reference, boolean open) {
        Table target = sight.tables().target(reference);
        return joins.through(place, reference.key(), target, open, to -> DSL
                .condition("{0} = {1}", DSL.field(to.column(Hosted.ROW)), rowOf(place, reference))
                .and(open ? DSL.noCondition() : seen(to)));
    }

    /** The table that a reference leads to. */
    Table target(org.pressboard.table.Field reference) {
        return sight.tables().target(reference);
    }

    /** A reference may itself be borrowed. */
    private Field<?> rowOf(Joins.Place place, org.pressboard.table.Field reference) {
        return reference.isEntered() ? column(place, reference) : told(place, reference);
    }
}
