/** The words of one language, and how it writes values; {@link org.pressboard.words.Words} of each request. */
@NullMarked
package org.pressboard.words;

import org.jspecify.annotations.NullMarked;
