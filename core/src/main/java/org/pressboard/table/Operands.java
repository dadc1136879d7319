package org.pressboard.table;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operand.Origin;
import org.pressboard.value.FieldKey;

/**
 * What a field can be compared with, set to or begin with besides fixed values: one rule for all places where that is said.
 *
 * @param tables all of the site
 * @param table  the field's
 * @param use    where it is said
 */
public record Operands(Tables tables, Table table, Use use) {

    /** Where an operand is chosen, which says of what it can be taken there: what is not known at a place is not offered. */
    public enum Use {
        /** Which rows a listing keeps, and which it marks. */
        KEEP(Origin.VISITOR, Origin.CLOCK, Origin.PAGE),
        /** Which rows a grant is for, or who is in a group: these depend on no page, nor on anybody's address bar. */
        GRANT(Origin.VISITOR, Origin.CLOCK),
        /** What a button sets a field of its row to. */
        BUTTON(Origin.VISITOR, Origin.CLOCK, Origin.PAGE, Origin.OPEN),
        /** What a form sets, or begins a question with. */
        FORM(Origin.VISITOR, Origin.CLOCK, Origin.PAGE, Origin.REFERRED),
        /** What a field of a new row begins with, wherever it is added. */
        START(Origin.VISITOR, Origin.CLOCK);

        private final Set<Origin> origins;

        Use(Origin... origins) {
            this.origins = EnumSet.of(origins[0], origins);
        }

        /** Of what operands can be taken here. */
        public Set<Origin> origins() {
            return Set.copyOf(origins);
        }

        private boolean isOfConditions() {
            return this == KEEP || this == GRANT;
        }
    }

    /** What the field can be compared with so, besides fixed values. */
    public List<Operand> offered(Field field, Comparison is) {
        boolean isOfOne = is.isOfOperands() && (!(field.type() instanceof Referring) || is == Comparison.IS || is == Comparison.IS_NOT);
        return isOfOne ? offered(field) : List.of();
    }

    /** What the field can be set to, or compared with, besides fixed values. */
    public List<Operand> offered(Field field) {
        return use.origins.stream().flatMap(origin -> offered(field, origin)).filter(operand -> tables.canHold(table, field, operand))
                .toList();
    }

    /** Whether the operand can be chosen for the field here. */
    public boolean isOffered(Field field, Operand operand) {
        return operand instanceof Operand.Today && use.origins.contains(Origin.CLOCK) ? tables.canHold(table, field, operand)
                : offered(field).contains(operand);
    }

    private Stream<Operand> offered(Field field, Origin origin) {
        return switch (origin) {
            case CLOCK -> Stream.of(new Operand.Today(0), new Operand.Beginning(Operand.Span.WEEK, 0),
                    new Operand.Beginning(Operand.Span.MONTH, 0), new Operand.Beginning(Operand.Span.YEAR, 0));
            case VISITOR -> ofVisitor(field);
            case PAGE -> canBeSaid(field) ? Stream.of(new Operand.OfPage(Operand.PagePart.TITLE),
                    new Operand.OfPage(Operand.PagePart.ADDRESS)) : Stream.of();
            case REFERRED -> waysReferred().stream().filter(way -> isSameKind(reached(way).type(), field.type())).map(Operand.OfReferred::new);
            case OPEN -> Stream.concat(table.fields().stream().map(Field::key).filter(key -> !key.equals(field.key())), waysReferred().stream())
                    .filter(way -> isSameKind(reached(way).type(), field.type())).map(Operand.OfOpen::new);
            case DIAL -> Stream.of();
        };
    }

    private Stream<Operand> ofVisitor(Field field) {
        List<Operand> parts = new ArrayList<>();
        if (field.type() instanceof Textual) {
            parts.addAll(List.of(Operand.OfVisitor.EMAIL, Operand.OfVisitor.NAME));
        }
        parts.add(Operand.OfVisitor.ROW);
        tables.people().map(tables::get).ifPresent(people -> people.columns().stream()
                .filter(of -> !of.key().equals(people.people()) && isAlike(of.type(), field.type()))
                .forEach(of -> parts.add(Operand.OfVisitor.of(of.key()))));
        return parts.stream();
    }

    /** Whether the page's title could stand in it; what is set must be one of the options, and seldom is. */
    private boolean canBeSaid(Field field) {
        return field.type() instanceof Textual || (field.type() instanceof Chosen && use.isOfConditions());
    }

    /** Compared is what is held alike, as whatever is offered must be; set, what is written alike too. */
    private boolean isAlike(FieldType of, FieldType with) {
        return use.isOfConditions() ? isOfOne(of) : isSameKind(of, with);
    }

    private static boolean isOfOne(FieldType of) {
        return !(of instanceof Attached) && !of.isSeveral();
    }

    /** Whether the one can have whatever the other has. */
    private static boolean isSameKind(FieldType of, FieldType with) {
        return isOfOne(of) && switch (of) {
            case Chosen chosen -> with instanceof Chosen other && other.options().stream().map(Chosen.Option::text).toList()
                    .containsAll(chosen.options().stream().map(Chosen.Option::text).toList());
            case Referring referring -> with instanceof Referring other && other.to().equals(referring.to());
            case Numeric.Money money -> money.equals(with);
            case Numeric numeric -> of.getClass().equals(with.getClass());
            case Textual textual -> of.getClass().equals(with.getClass());
            case Temporal temporal -> of.getClass().equals(with.getClass());
            case FieldType.YesNo yesNo -> with instanceof FieldType.YesNo;
            // of one there is none
            case Attached attached -> false;
        };
    }

    /** The fields of the rows to which references of the table lead, by the way to each. */
    public List<FieldKey> waysReferred() {
        return table.entered().stream().filter(field -> field.type() instanceof Referring && !field.type().isSeveral()
                        && tables.find(((Referring) field.type()).to()).isPresent())
                .flatMap(field -> tables.target(field).fields().stream().map(of -> field.key().through(of.key()))).toList();
    }

    /** The field at the end of a way, called by all of it. */
    public Field reached(FieldKey way) {
        return tables.reaching(table, List.of(way)).field(way);
    }
}
