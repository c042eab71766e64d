/** Functions of one number, tabulated for loops over pixels. */
@NullMarked
package carezza.function;

import org.jspecify.annotations.NullMarked;
