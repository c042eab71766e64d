/** Neighbourhood operations on planes: blur, smoothing, membrane, resampling. */
package carezza.filter;
