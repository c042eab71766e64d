/** From mask expressions to coverage: strokes, shapes, and regions found from the face map. */
@NullMarked
package carezza.mask;

import org.jspecify.annotations.NullMarked;
