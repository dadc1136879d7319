/**
 * Listings, what the address bar says, and the row query that both give together. Start at
 * {@link org.pressboard.listing.Listing}; everything that shows, counts or carries rows away goes through
 * {@link org.pressboard.listing.RowQuery}.
 *
 * <p>A {@link org.pressboard.listing.Layout layout} is one of a sealed family, with its own settings in it. Whoever adds one is
 * told by the compiler where else it must be known: how it begins, how two of it differ, which classes it has, who draws it.
 */
@NullMarked
package org.pressboard.listing;

import org.jspecify.annotations.NullMarked;
