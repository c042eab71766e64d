/** What every view of the window is. */
@NullMarked
package carezza.desktop.view;

import org.jspecify.annotations.NullMarked;
