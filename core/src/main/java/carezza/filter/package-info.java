/** Neighbourhood operations on planes: blur, smoothing, membrane, resampling. */
@NullMarked
package carezza.filter;

import org.jspecify.annotations.NullMarked;
