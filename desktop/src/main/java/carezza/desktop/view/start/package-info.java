/** Where one begins. */
@NullMarked
package carezza.desktop.view.start;

import org.jspecify.annotations.NullMarked;
