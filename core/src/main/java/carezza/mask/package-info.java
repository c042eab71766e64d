/** From mask expressions to coverage: strokes, shapes, and regions found from the face map. */
package carezza.mask;
