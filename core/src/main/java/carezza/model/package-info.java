/** What a project is made of: immutable records of layers, masks, strokes and the face map. */
package carezza.model;
