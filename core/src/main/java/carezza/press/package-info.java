/** Inks on paper: a made-up press as a spectral-free model, and its inverse, the separation. */
@NullMarked
package carezza.press;

import org.jspecify.annotations.NullMarked;
