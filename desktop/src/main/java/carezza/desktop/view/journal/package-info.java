/** The journal: how long what took, by picture, job and week, and what became of it. */
@NullMarked
package carezza.desktop.view.journal;

import org.jspecify.annotations.NullMarked;
