/** Practice: the exercise at work, its result, the eye test and the pages that explain. */
@NullMarked
package carezza.desktop.practice;

import org.jspecify.annotations.NullMarked;
