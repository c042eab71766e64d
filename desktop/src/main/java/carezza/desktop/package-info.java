/** The window and the commands; {@link carezza.desktop.Main} starts either. */
@NullMarked
package carezza.desktop;

import org.jspecify.annotations.NullMarked;
