/** The window: its views, strip and keys, how it is started and pictured. */
@NullMarked
package carezza.desktop.app;

import org.jspecify.annotations.NullMarked;
