/**
 * Publishing a page, from wherever its owner is at work on it: its own screen, and the tickets of what is on it.
 */
@NullMarked
package org.pressboard.desk.publish;

import org.jspecify.annotations.NullMarked;
