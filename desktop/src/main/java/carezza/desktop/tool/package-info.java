/** What a press on the picture means, one class a tool, and what is drawn over the picture. */
@NullMarked
package carezza.desktop.tool;

import org.jspecify.annotations.NullMarked;
