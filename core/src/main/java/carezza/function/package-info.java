/** Functions tabulated for loops over pixels, and answers that are kept. */
@NullMarked
package carezza.function;

import org.jspecify.annotations.NullMarked;
