/** Handles on the picture: where they are, and what moving them makes. */
@NullMarked
package carezza.desktop.geometry;

import org.jspecify.annotations.NullMarked;
