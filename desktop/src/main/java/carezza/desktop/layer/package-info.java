/** The panel of each kind of layer. */
@NullMarked
package carezza.desktop.layer;

import org.jspecify.annotations.NullMarked;
