package org.pressboard.grant;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/**
 * Rows that wait until they are let through. As long as one does, only whose own it is and those who may let it through
 * see it. What was let through is changed and removed by these alone, and nobody else lets anything through, be it by
 * adding a row that says it was.
 *
 * @param by the field that says whether a row was; {@code null}: none has to be
 */
public record Approval(@Nullable FieldKey by) {

    /** Of a table whose rows need not be let through. */
    public static final Approval NONE = new Approval(null);

    static Approval of(Table table) {
        return table.letThrough().map(Approval::new).orElse(NONE);
    }

    public boolean isAsked() {
        return by != null;
    }

    /** That a row need not wait: it was let through, or was there before rows had to be. */
    public Condition given() {
        return by == null ? Condition.ALWAYS : Condition.any(List.of(Condition.isEmpty(by), says(by, true)));
    }

    /** That it waits. */
    public Condition waiting() {
        return by == null ? Condition.NEVER : says(by, false);
    }

    private static Condition says(FieldKey by, boolean yes) {
        return new Condition.Compare(by, Operator.EQUALS, new Operand.Fixed(new Value.YesNo(yes)));
    }

    /**
     * Which rows may be seen or written at all, whatever grants say besides.
     *
     * @param own     which rows are somebody's own
     * @param letting which rows they may let through
     */
    public Condition bound(Verb verb, Condition own, Condition letting) {
        if (by == null || letting.equals(Condition.ALWAYS)) {
            return Condition.ALWAYS;
        }
        return switch (verb) {
            case SEE -> Condition.any(List.of(given(), own, letting));
            case ADD, CHANGE, REMOVE -> Condition.any(List.of(waiting(), letting));
            case APPROVE -> Condition.ALWAYS;
        };
    }
}
