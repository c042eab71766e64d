/**
 * What a file says about its picture beside the pixels: EXIF, IPTC and XMP, and what of it is
 * passed on.
 */
@NullMarked
package carezza.metadata;

import org.jspecify.annotations.NullMarked;
