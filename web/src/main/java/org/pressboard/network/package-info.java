/** Addresses on the network, and whose they are. Start at {@link org.pressboard.network.Networks}. */
@NullMarked
package org.pressboard.network;

import org.jspecify.annotations.NullMarked;
