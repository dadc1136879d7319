/**
 * Files and pictures beside the rows: kept by their content, told by it, with small copies of pictures. Start at
 * {@link org.pressboard.files.Files}.
 */
@NullMarked
package org.pressboard.files;

import org.jspecify.annotations.NullMarked;
