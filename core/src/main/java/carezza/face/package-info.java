/** Finds faces, their points and the subject by small networks that ship with the application. */
@NullMarked
package carezza.face;

import org.jspecify.annotations.NullMarked;
