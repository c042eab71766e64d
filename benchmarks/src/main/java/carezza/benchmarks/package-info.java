/** Measures speed, memory and quality; docs/performance.md says how to run it. */
package carezza.benchmarks;
