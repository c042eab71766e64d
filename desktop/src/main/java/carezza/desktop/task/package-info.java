/** Work off the interface thread, and what is told of what goes wrong there. */
@NullMarked
package carezza.desktop.task;

import org.jspecify.annotations.NullMarked;
