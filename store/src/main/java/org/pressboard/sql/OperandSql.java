package org.pressboard.sql;

import java.time.LocalDate;
import java.util.Locale;
import java.util.Objects;
import org.jooq.Condition;
import org.jooq.DataType;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.value.Value;

/** Where the SQL of a condition takes from what it compares with, besides fixed values. */
public sealed interface OperandSql {

    /** Known now and bound: for a query on somebody's behalf. */
    record Bound(Standpoint standpoint) implements OperandSql {
    }

    /** Looked up whenever the condition is asked, in the settings of the transaction: for row security. */
    record FromSettings() implements OperandSql {
    }

    /** As it is on the site's day, with nobody looking: for what is worked out for everybody alike. */
    record ByClock() implements OperandSql {
    }

    /** The names of the settings that a visitor's transaction carries. */
    String SETTING_EMAIL = "pressboard.email";
    String SETTING_NAME = "pressboard.name";
    String SETTING_MEMBER = "pressboard.member";
    String SETTING_FIELDS = "pressboard.fields";
    String SETTING_GROUPS = "pressboard.groups";
    String SETTING_KIND = "pressboard.kind";
    String SETTING_BROWSER = "pressboard.browser";
    String SETTING_TODAY = "pressboard.today";

    /** @param type of what it is compared with */
    default Field<?> of(Operand operand, DataType<?> type) {
        return switch (operand) {
            case Operand.Fixed fixed -> ValueSql.bound(fixed.value());
            case Operand.OfVisitor visitor -> ofVisitor(visitor, type);
            case Operand.OfPage page -> known(page, type);
            case Operand.OfReferred row -> known(row, type);
            case Operand.OfOpen open -> known(open, type);
            case Operand.Dial dial -> known(dial, type);
            case Operand.Today today -> today(today.daysOn());
            case Operand.Beginning beginning -> beginning(beginning);
        };
    }

    /** What only a query on somebody's behalf knows: row security and what is worked out for all know no page. */
    private Field<?> known(Operand operand, DataType<?> type) {
        return this instanceof Bound bound ? operand.resolve(bound.standpoint).<Field<?>>map(ValueSql::bound)
                .orElseGet(() -> DSL.castNull(type)) : DSL.castNull(type);
    }

    private Field<?> ofVisitor(Operand.OfVisitor part, DataType<?> type) {
        return switch (this) {
            case Bound bound -> known(part, type);
            case FromSettings settings -> switch (part.part()) {
                case EMAIL -> setting(SETTING_EMAIL);
                case NAME -> setting(SETTING_NAME);
                case ROW -> member();
                case FIELD -> DSL.field("(select {0})", type, DSL.field("nullif(current_setting({0}, true), '')::jsonb ->> {1}",
                        String.class, DSL.inline(SETTING_FIELDS),
                        DSL.inline(Objects.requireNonNull(part.field()).name())).cast(type));
            };
            case ByClock clock -> DSL.castNull(type);
        };
    }

    private static Field<Long> member() {
        return DSL.field("(select nullif(current_setting({0}, true), '')::bigint)", Long.class,
                DSL.inline(SETTING_MEMBER));
    }

    /** What the browser of whoever looks is called; nothing where they are signed in, or have sent nothing. */
    default Field<String> browser() {
        return switch (this) {
            case Bound bound -> bound.standpoint.who().browser() == null ? DSL.castNull(SQLDataType.CLOB)
                    : DSL.val(bound.standpoint.who().browser());
            case FromSettings settings -> setting(SETTING_BROWSER);
            case ByClock clock -> DSL.castNull(SQLDataType.CLOB);
        };
    }

    /** That the transaction's visitor is in a group. */
    static Condition isInGroup(String group) {
        return DSL.condition("{0} = any (string_to_array({1}, ','))", DSL.inline(group), setting(SETTING_GROUPS));
    }

    private Field<?> today(int daysOn) {
        return switch (this) {
            case Bound bound -> ValueSql.bound(Value.of(bound.standpoint.today().plusDays(daysOn)));
            case FromSettings settings -> DSL.field("({0}::date + {1})", LocalDate.class, setting(SETTING_TODAY),
                    DSL.inline(daysOn));
            case ByClock clock -> DSL.field("(pressboard.today() + {0})", LocalDate.class, DSL.inline(daysOn));
        };
    }

    private Field<?> beginning(Operand.Beginning beginning) {
        if (this instanceof Bound bound) {
            return ValueSql.bound(beginning.resolve(bound.standpoint).orElseThrow());
        }
        // PostgreSQL's weeks begin on Mondays, as those of ISO 8601 do
        String span = beginning.span().name().toLowerCase(Locale.ROOT);
        return DSL.field("(date_trunc({0}, {1}::timestamp) + {2}::interval)::date", LocalDate.class, DSL.inline(span),
                today(0), DSL.inline(beginning.on() + " " + span));
    }

    /** A setting of the transaction. After its first use in a session an unset one reads as '', not as null. */
    static Field<String> setting(String name) {
        return DSL.field("(select nullif(current_setting({0}, true), ''))", String.class, DSL.inline(name));
    }
}
