/**
 * Practice on made-up portraits whose truth is known: tasks that a seed makes anew, what became of
 * them, and the eye's own thresholds.
 */
@NullMarked
package carezza.practice;

import org.jspecify.annotations.NullMarked;
