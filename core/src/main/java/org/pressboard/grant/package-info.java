/**
 * Who may do what with which rows. Start at {@link org.pressboard.grant.Grants}; what is not granted is refused.
 */
@NullMarked
package org.pressboard.grant;

import org.jspecify.annotations.NullMarked;
