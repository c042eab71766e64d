/** The part of the photograph that a view shows, and its pixels. */
@NullMarked
package carezza.desktop.picture;

import org.jspecify.annotations.NullMarked;
