/** Lines in a picture: where they run, how they go together, what they look like across. */
@NullMarked
package carezza.line;

import org.jspecify.annotations.NullMarked;
