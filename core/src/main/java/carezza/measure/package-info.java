/** Gauges: what the picture measures before and after the retouch, with the band for the job. */
package carezza.measure;
