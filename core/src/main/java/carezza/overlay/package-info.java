/** Pictures that are laid over others: those that ship, and those of files. */
@NullMarked
package carezza.overlay;

import org.jspecify.annotations.NullMarked;
