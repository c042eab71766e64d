/** The studio's journal: what was done to every picture on this machine, in one database. */
@NullMarked
package carezza.studio;

import org.jspecify.annotations.NullMarked;
