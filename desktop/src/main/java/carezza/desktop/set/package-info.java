/** A set of photographs in the window: what is known of it and what is done to it. */
@NullMarked
package carezza.desktop.set;

import org.jspecify.annotations.NullMarked;
