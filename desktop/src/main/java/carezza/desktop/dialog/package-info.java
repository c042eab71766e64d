/** What is asked and shown over the window: one sheet at a time. */
@NullMarked
package carezza.desktop.dialog;

import org.jspecify.annotations.NullMarked;
