/**
 * Work that is counted and written down behind the window, and what the journal view shows of it.
 */
@NullMarked
package carezza.desktop.journal;

import org.jspecify.annotations.NullMarked;
