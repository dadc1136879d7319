package org.pressboard.grant;

import java.util.Set;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;

/**
 * Some of the members: those whose rows meet a condition, as they are at the moment, and those who were put into it.
 *
 * @param rows   of nobody: {@link Condition#NEVER}
 * @param byHand the rows of those who were put into it
 */
public record Group(GroupKey key, String label, Condition rows, Set<RowId> byHand) {

    public static final int LONGEST_LABEL = 100;

    public Group {
        byHand = Set.copyOf(byHand);
        if (!isLabel(label)) {
            throw new IllegalArgumentException("A group needs a label of at most " + LONGEST_LABEL + " characters");
        }
    }

    /** Whether a group can be called so. */
    public static boolean isLabel(String text) {
        return !text.isBlank() && text.length() <= LONGEST_LABEL;
    }

    /** Whether somebody with that row belongs to it. */
    public boolean includes(Row member, Standpoint standpoint) {
        return byHand.contains(member.id()) || rows.holds(member, standpoint);
    }

    /** The same as it is for a table of which the condition may no more be asked: nobody meets it then. */
    public Group of(Tables tables, Table members) {
        boolean isWhole = tables.canAsk(members, rows);
        return isWhole ? this : new Group(key, label, Condition.NEVER, byHand);
    }

    public Group labelled(String other) {
        return new Group(key, other, rows, byHand);
    }

    public Group meeting(Condition condition) {
        return new Group(key, label, condition, byHand);
    }

    public Group with(Set<RowId> members) {
        return new Group(key, label, rows, members);
    }
}
