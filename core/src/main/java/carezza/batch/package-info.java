/** Routines on many photographs without a window. */
@NullMarked
package carezza.batch;

import org.jspecify.annotations.NullMarked;
