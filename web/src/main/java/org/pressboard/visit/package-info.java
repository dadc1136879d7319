/**
 * Who asks, and when. A {@link org.pressboard.visit.Visit visit} is one request of one person: the site as of one moment, who
 * looks, for whom it is drawn, and the day and time. It is made once, at the door, and handed on; nothing asks anywhere else
 * who is signed in or what the site looks like now, so that one answer never mixes two states or two people.
 */
@NullMarked
package org.pressboard.visit;

import org.jspecify.annotations.NullMarked;
