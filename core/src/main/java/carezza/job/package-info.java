/** Kinds of job: where gauges should lie, and how far layers may go. */
@NullMarked
package carezza.job;

import org.jspecify.annotations.NullMarked;
