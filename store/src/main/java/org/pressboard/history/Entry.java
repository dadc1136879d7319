package org.pressboard.history;

import java.util.Map;
import java.util.Optional;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/**
 * What an act did to one row.
 *
 * @param before what the fields that it changed had before; of a row removed, all of them
 * @param after  what they had afterwards
 */
public record Entry(long id, Act act, Verb verb, RowId rowId, Map<FieldKey, Optional<Value>> before,
                    Map<FieldKey, Optional<Value>> after) {

    /** What can become of a row. */
    public enum Verb { ADDED, CHANGED, REMOVED }
}
