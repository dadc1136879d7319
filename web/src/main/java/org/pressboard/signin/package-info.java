/**
 * Who is signed in, and how they come to be. Start at {@link org.pressboard.signin.SignedIn}.
 */
@NullMarked
package org.pressboard.signin;

import org.jspecify.annotations.NullMarked;
