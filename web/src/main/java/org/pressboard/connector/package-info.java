/**
 * Where connections come in, before anything else looks at them: how many there may be, how long one may take to say what
 * it wants, to send it, and to take the answer. What is held meanwhile is drawn from {@link org.pressboard.memory.Budget}.
 * Start at {@link org.pressboard.connector.Door}.
 */
@NullMarked
package org.pressboard.connector;

import org.jspecify.annotations.NullMarked;
