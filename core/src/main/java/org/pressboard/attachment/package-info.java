/**
 * What may be said of files before they are kept, without looking at where. Start at
 * {@link org.pressboard.attachment.Drawing}.
 */
@NullMarked
package org.pressboard.attachment;

import org.jspecify.annotations.NullMarked;
