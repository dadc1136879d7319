/**
 * The bench on which a listing is made: its ticket, a statement whose words are changed where they stand, and its proof.
 * Start at {@link org.pressboard.desk.bench.Bench}. Each change says what is to become of the listing as it is then, so two
 * who work at one draft do not undo each other's.
 */
@NullMarked
package org.pressboard.desk.bench;

import org.jspecify.annotations.NullMarked;
