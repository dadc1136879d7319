/**
 * Members: accounts as rows of the table that its owner marked as that of the members. Start at
 * {@link org.pressboard.member.Members}.
 */
@NullMarked
package org.pressboard.member;

import org.jspecify.annotations.NullMarked;
