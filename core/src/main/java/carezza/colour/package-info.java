/** Colour: working space, L*a*b*, differences, white points, curves, skin pigments. */
@NullMarked
package carezza.colour;

import org.jspecify.annotations.NullMarked;
