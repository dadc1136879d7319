package org.pressboard.history;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One thing that somebody did to a table.
 *
 * @param account whose account did it; {@code null}: nobody's
 * @param what    what it was, as a code whose words stand in the message bundles
 * @param details what was known of it then
 * @param rows    how many rows it added, changed or removed
 * @param undoes  which act it took back; {@code null}: none
 * @param undone  which act took it back; {@code null}: none
 */
public record Act(long id, Instant at, @Nullable Long account, String who, Author.Origin origin, What what, Details details, Rows rows,
                  @Nullable Long undoes, @Nullable Long undone) {

    /** What can be done. */
    public enum What {
        ROWS, ROW_ADDED, ROW_CHANGED, ROWS_REMOVED, ROWS_CHANGED, ROWS_MADE, FILE_IN, TABLE_MADE, TABLE_CHANGED, FIELD_ADDED,
        FIELD_CHANGED, FIELD_REMOVED, FIELD_RETYPED, TABLE_REMOVED, UNDONE, PUT_BACK
    }

    /**
     * @param name   what it was done to: a field's or a file's name; may be empty
     * @param before the table as it was defined before; {@code null} where that was not changed
     * @param after  the table as it was defined then
     * @param along  what became of rows that referred to those removed
     */
    public record Details(String name, org.pressboard.table.@Nullable Table before,
                          org.pressboard.table.@Nullable Table after, List<Along> along) {

        public Details {
            along = along == null ? List.of() : List.copyOf(along);
        }

        public Details(String name, org.pressboard.table.@Nullable Table before, org.pressboard.table.@Nullable Table after) {
            this(name, before, after, List.of());
        }

        public static Details of(String name) {
            return new Details(name, null, null);
        }
    }

    /** So many rows of another table referred by that field: they were removed along, or refer to nothing now. */
    public record Along(String table, String field, long rows, boolean removed) {
    }

    /** How many rows were added, changed and removed. */
    public record Rows(long added, long changed, long removed) {

        public boolean isNone() {
            return added + changed + removed == 0;
        }
    }

    public boolean isUndone() {
        return undone != null;
    }
}
