/**
 * Which state things are in, alike on every node. Start at {@link org.pressboard.change.ChangeFeed}.
 *
 * <p><b>Revision.</b> The database gives the catalog, and each table's rows, a number that grows with every change. A trigger
 * notes what a transaction touches ({@code pressboard.touch}); when it ends, whatever it touched gets the number after the last
 * one ({@code pressboard.number_changes}), so nobody waits for another's long change, and nothing that was taken back has a
 * number. The notification that it commits carries that number, and how many rows were ever lost, to all nodes. Several tables
 * together have the sum of their numbers, which grows with each of them.
 *
 * <p>Everything kept (rows, counts, the site, members, drawn answers), every ETag and every open page goes by these numbers and
 * by nothing else: no clocks, no numbers of a node's own. What is kept is kept under the number that the transaction saw which
 * read it, before it read anything else ({@link org.pressboard.change.ChangeFeed#rowsRevisionSeen}): it is of that state or of a
 * later one, never of an earlier one, also where the database that is read from lags behind the one that tells of changes.
 *
 * <p>While the listening connection is away the numbers are asked for; once it is back they are read whole, so nothing that was
 * missed counts as unchanged. What must happen once for the site is done by {@link org.pressboard.change.Once}.
 */
@NullMarked
package org.pressboard.change;

import org.jspecify.annotations.NullMarked;
