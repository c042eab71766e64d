/** Renders a stack over any area at any level, and remembers what it rendered. */
@NullMarked
package carezza.render;

import org.jspecify.annotations.NullMarked;
