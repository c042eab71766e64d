/** Several finishes of one photograph: how the window makes, names and tells them apart. */
@NullMarked
package carezza.desktop.variant;

import org.jspecify.annotations.NullMarked;
