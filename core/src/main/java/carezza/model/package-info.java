/** What a project is made of: immutable records of layers, masks, strokes and the face map. */
@NullMarked
package carezza.model;

import org.jspecify.annotations.NullMarked;
