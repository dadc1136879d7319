package org.pressboard.form;

import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * A field that a form asks for.
 *
 * @param label    what it is called here; empty: as the field is
 * @param help     what is said below it; empty: what the field says
 * @param required whether it must be answered here, also where the table could do without
 * @param start    what it begins with; {@code null}: as the field does
 * @param part     the heading of the part of the form that begins with it; empty: none does
 * @param when     what other answers must be for it to be asked
 */
public record Question(FieldKey field, String label, String help, boolean required, @Nullable Operand start, String part,
                       Condition when) {

    public Question {
        label = Objects.requireNonNullElse(label, "");
        help = Objects.requireNonNullElse(help, "");
        part = Objects.requireNonNullElse(part, "");
        when = Objects.requireNonNullElse(when, Condition.ALWAYS);
    }

    public static Question of(FieldKey field) {
        return new Question(field, "", "", false, null, "", Condition.ALWAYS);
    }

    public Question labelled(String other) {
        return new Question(field, other, help, required, start, part, when);
    }

    public Question explained(String other) {
        return new Question(field, label, other, required, start, part, when);
    }

    public Question requiring(boolean isRequired) {
        return new Question(field, label, help, isRequired, start, part, when);
    }

    public Question starting(@Nullable Operand with) {
        return new Question(field, label, help, required, with, part, when);
    }

    public Question under(String heading) {
        return new Question(field, label, help, required, start, heading, when);
    }

    public Question when(Condition answers) {
        return new Question(field, label, help, required, start, part, answers);
    }

    /** The field as it is asked for here. */
    public Field asked(Table table) {
        Field of = table.field(field);
        Field named = label.isEmpty() ? of : of.labelled(label);
        return (help.isEmpty() ? named : named.explained(help, of.unit()))
                .with(of.rules().requiring(required || of.rules().required()));
    }

    /** The same in a table whose fields are others than they were: what can be asked of them no more does not bind it. */
    Question of(Tables tables, Table table) {
        Question asked = tables.canAsk(table, when) ? this : when(Condition.ALWAYS);
        return start == null || tables.canHold(table, table.field(field), start) ? asked : asked.starting(null);
    }
}
