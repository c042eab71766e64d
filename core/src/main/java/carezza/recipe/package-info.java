/** What leaves, and how: sizes, formats, colour spaces and names of delivered files. */
@NullMarked
package carezza.recipe;

import org.jspecify.annotations.NullMarked;
