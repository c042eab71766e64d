/** Colour: working space, L*a*b*, differences, white points, curves, skin pigments. */
package carezza.colour;
