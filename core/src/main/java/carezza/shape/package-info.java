/** Where each place of a picture comes from after its shape was changed. */
@NullMarked
package carezza.shape;

import org.jspecify.annotations.NullMarked;
