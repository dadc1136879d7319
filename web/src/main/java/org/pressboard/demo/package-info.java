/**
 * The orchard of the demo, loaded through the product's own intake.
 */
@NullMarked
package org.pressboard.demo;

import org.jspecify.annotations.NullMarked;
