package org.pressboard.walk;

import java.util.Set;
import org.pressboard.table.TableKey;

/**
 * One step.
 *
 * @param said    what was done, for whoever reads a failure
 * @param granted of which tables it may have changed grants: all verbs, or only who may see
 */
record Step(String said, Set<TableKey> granted, Set<TableKey> opened) {

    static Step of(String said) {
        return new Step(said, Set.of(), Set.of());
    }
}
