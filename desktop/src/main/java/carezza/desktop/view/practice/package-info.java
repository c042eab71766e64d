/** Exercises, the eye test, the first week's lessons and the pages that explain every layer. */
@NullMarked
package carezza.desktop.view.practice;

import org.jspecify.annotations.NullMarked;
