/** The window: views, sheets, keys, and what opens and writes files. */
@NullMarked
package carezza.desktop.app;

import org.jspecify.annotations.NullMarked;
