/** Kinds of job: where gauges should lie, and how far layers may go. */
package carezza.job;
