/** What the window says. */
@NullMarked
package carezza.desktop.text;

import org.jspecify.annotations.NullMarked;
