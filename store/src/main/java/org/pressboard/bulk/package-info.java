/**
 * Many rows at once: files that are brought in, and rows carried away. Start at
 * {@link org.pressboard.bulk.Intakes} and {@link org.pressboard.bulk.CsvOut}.
 */
@NullMarked
package org.pressboard.bulk;

import org.jspecify.annotations.NullMarked;
