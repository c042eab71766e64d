/** Layers that are measured anew on each photograph: what a routine is made of. */
@NullMarked
package carezza.routine;

import org.jspecify.annotations.NullMarked;
