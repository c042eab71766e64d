/** Picture files in and out, always by way of the working space. */
@NullMarked
package carezza.codec;

import org.jspecify.annotations.NullMarked;
