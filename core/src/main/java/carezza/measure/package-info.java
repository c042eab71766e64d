/** Gauges: what the picture measures before and after the retouch, with the band for the job. */
@NullMarked
package carezza.measure;

import org.jspecify.annotations.NullMarked;
