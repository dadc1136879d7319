/**
 * How the rows of a sheet are drawn: a {@link org.pressboard.sheet.line.Line line} is a row with its
 * {@link org.pressboard.sheet.line.Cell cells}, and what is in a cell is one of a sealed family, so that whoever draws cells is
 * told by the compiler of a new kind. Each layout has one class that draws it; {@link org.pressboard.sheet.line.Look} says which.
 */
@NullMarked
package org.pressboard.sheet.line;

import org.jspecify.annotations.NullMarked;
