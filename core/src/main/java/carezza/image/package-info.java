/** Pixels and their places: areas, planes, pictures. Knows nothing of colour, files or layers. */
@NullMarked
package carezza.image;

import org.jspecify.annotations.NullMarked;
