/**
 * Colour profiles: what a file says of its colours, and the ways into the working space and out of
 * it.
 */
@NullMarked
package carezza.profile;

import org.jspecify.annotations.NullMarked;
