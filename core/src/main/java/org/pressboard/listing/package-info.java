/**
 * Listings, what the address bar says, and the row query that both give together.
 * Start at {@link org.pressboard.listing.Listing}; everything that shows, counts or carries rows away goes
 * through {@link org.pressboard.listing.RowQuery}.
 */
@NullMarked
package org.pressboard.listing;

import org.jspecify.annotations.NullMarked;
