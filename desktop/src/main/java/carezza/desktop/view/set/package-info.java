/** The view of many pictures as one piece of work. */
@NullMarked
package carezza.desktop.view.set;

import org.jspecify.annotations.NullMarked;
