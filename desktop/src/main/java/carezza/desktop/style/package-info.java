/** Icons and greys. */
@NullMarked
package carezza.desktop.style;

import org.jspecify.annotations.NullMarked;
