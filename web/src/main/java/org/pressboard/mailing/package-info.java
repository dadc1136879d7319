/**
 * Carries letters from the outbox to a mail server, where one is named. Start at {@link org.pressboard.mailing.Postman}.
 */
@NullMarked
package org.pressboard.mailing;

import org.jspecify.annotations.NullMarked;
