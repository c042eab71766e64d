/** Many photographs as one piece of work: their states, their order and who is out of line. */
@NullMarked
package carezza.set;

import org.jspecify.annotations.NullMarked;
