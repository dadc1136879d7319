package org.pressboard.table;

import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** Whether what was once said of fields can still be said of them: fields are removed, and become another kind. */
final class Fitting {

    private final Tables tables;

    Fitting(Tables tables) {
        this.tables = tables;
    }

    boolean fits(Table table, Condition condition) {
        return switch (condition) {
            case Condition.All all -> all.parts().stream().allMatch(part -> fits(table, part));
            case Condition.Any any -> any.parts().stream().allMatch(part -> fits(table, part));
            case Condition.Not not -> fits(table, not.part());
            case Condition.Compare compare -> is(table, compare.field(), field -> fits(table, field, compare.operator(), compare.operand()));
            case Condition.OneOf oneOf -> is(table, oneOf.field(), field ->
                    oneOf.values().stream().allMatch(value -> isOf(field.type(), value)));
            case Condition.Between between -> between.ends().stream().allMatch(end -> fits(table, end));
            case Condition.Empty empty -> is(table, empty.field(), field -> true);
            case Condition.Mentions mentions -> mentions.among().stream().allMatch(key -> is(table, key,
                    field -> field.type().isText() || field.type() instanceof Referring));
            case Condition.Owned owned -> is(table, owned.by(), field -> field.type() instanceof Referring || field.type().isText());
            case Condition.Sent sent -> true;
        };
    }

    private static boolean is(Table table, FieldKey key, Predicate<Field> wanted) {
        return table.fields().find(key).filter(wanted).isPresent();
    }

    private boolean fits(Table table, Field field, Operator operator, Operand operand) {
        FieldType type = field.type();
        boolean canBe = switch (operator) {
            case EQUALS, DIFFERS -> true;
            case CONTAINS, BEGINS -> type.isText();
            case LESS, AT_MOST, GREATER, AT_LEAST -> !type.isSeveral() && !(type instanceof Referring) && !(type instanceof Attached);
        };
        return canBe && fits(table, field, operand);
    }

    /** Whether the field can be set to that, or compared with it. */
    boolean fits(Table table, Field field, Operand operand) {
        FieldType.Held held = field.type().held();
        boolean isText = held == FieldType.Held.TEXT || held == FieldType.Held.TEXTS;
        return switch (operand) {
            case Operand.Fixed fixed -> isOf(field.type(), fixed.value());
            case Operand.OfVisitor visitor -> switch (visitor.part()) {
                case EMAIL, NAME -> isText;
                case ROW -> field.type() instanceof Referring referring && tables.people().filter(referring.to()::equals).isPresent();
                case FIELD -> tables.people().flatMap(people -> tables.get(people).fields().find(Objects.requireNonNull(visitor.field())))
                        .filter(of -> isAlike(of.type(), field.type())).isPresent();
            };
            case Operand.OfPage page -> isText;
            case Operand.OfReferred(FieldKey way) -> tables.reaching(table, List.of(way)).fields().find(way)
                    .filter(of -> isAlike(of.type(), field.type())).isPresent();
            case Operand.OfOpen(FieldKey way) -> tables.reaching(table, List.of(way)).fields().find(way)
                    .filter(of -> isAlike(of.type(), field.type())).isPresent();
            // a dial says itself of what kind it is, wherever it is set
            case Operand.Dial dial -> true;
            case Operand.Today today -> isDay(held);
            case Operand.Beginning beginning -> isDay(held);
        };
    }

    private static boolean isAlike(FieldType one, FieldType other) {
        return one.held() == other.held() && (!(one instanceof Referring referring) || !(other instanceof Referring its)
                || referring.to().equals(its.to()));
    }

    private static boolean isDay(FieldType.Held held) {
        return held == FieldType.Held.DATE || held == FieldType.Held.MOMENT;
    }

    /** Whether a value is of that kind; of several, each. */
    private static boolean isOf(FieldType type, Value value) {
        return value.each().stream().allMatch(each -> switch (type.held()) {
            case TEXT, TEXTS -> each instanceof Value.Text;
            case WHOLE, DECIMAL -> each instanceof Value.Whole || each instanceof Value.Decimal;
            case YES_NO -> each instanceof Value.YesNo;
            case DATE, MOMENT -> each instanceof Value.Date || each instanceof Value.Moment;
            case TIME -> each instanceof Value.Time;
            case ROW, ROWS -> each instanceof Value.Referred;
            case FILE, FILES -> each instanceof Value.Attachment;
        });
    }
}
