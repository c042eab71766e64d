/** Controls that take values and know nothing of documents. */
@NullMarked
package carezza.desktop.control;

import org.jspecify.annotations.NullMarked;
