/**
 * Where listings are served. A {@link org.pressboard.stand.Stand stand} is one such place: a published page, the draft as
 * somebody would see it, an edition, the desk. It says the addresses of what stands there and what may be done; whoever answers
 * is the same for all of them. {@link org.pressboard.stand.Stands} finds what an address names, as the visit's visitor may have
 * it, and {@link org.pressboard.stand.Asking} is one listing asked for: its row query is built there, once, and whatever shows,
 * counts, carries away, changes or listens goes by it.
 */
@NullMarked
package org.pressboard.stand;

import org.jspecify.annotations.NullMarked;
