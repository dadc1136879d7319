/**
 * What is to be sent by mail, and what became of it. Start at {@link org.pressboard.mail.Outbox}.
 */
@NullMarked
package org.pressboard.mail;

import org.jspecify.annotations.NullMarked;
