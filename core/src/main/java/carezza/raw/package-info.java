/** Raw photographs: from what a camera's sensor counted to light in the working space. */
@NullMarked
package carezza.raw;

import org.jspecify.annotations.NullMarked;
