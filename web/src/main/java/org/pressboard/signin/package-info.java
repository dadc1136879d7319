/**
 * Who is signed in, and how they come to be. Start at {@link org.pressboard.signin.AccountCheck},
 * which says of each request whom it is from.
 */
@NullMarked
package org.pressboard.signin;

import org.jspecify.annotations.NullMarked;
