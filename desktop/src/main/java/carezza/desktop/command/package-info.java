/** The command line: one class for each verb. */
@NullMarked
package carezza.desktop.command;

import org.jspecify.annotations.NullMarked;
