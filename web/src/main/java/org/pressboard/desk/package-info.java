/**
 * The owner's workspace under {@code /desk}: tables, pages, files that are brought in, settings.
 */
@NullMarked
package org.pressboard.desk;

import org.jspecify.annotations.NullMarked;
