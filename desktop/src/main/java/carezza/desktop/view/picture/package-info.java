/** The picture with all ways of seeing it. */
@NullMarked
package carezza.desktop.view.picture;

import org.jspecify.annotations.NullMarked;
