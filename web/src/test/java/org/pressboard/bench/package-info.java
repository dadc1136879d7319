/**
 * Measures Pressboard at a million rows, each figure as a ratio to a named reference in the same run. Started by
 * {@code ./pressboard bench}; no test.
 */
package org.pressboard.bench;
