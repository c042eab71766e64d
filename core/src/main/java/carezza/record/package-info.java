/**
 * What was done to a picture and how long it took: a clock that counts work and not rests, the
 * record that it fills, and what is learned from many records.
 */
@NullMarked
package carezza.record;

import org.jspecify.annotations.NullMarked;
