/** Inks on paper: a made-up press as a spectral-free model, and its inverse, the separation. */
package carezza.press;
