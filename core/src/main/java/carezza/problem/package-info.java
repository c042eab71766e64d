/**
 * What can go wrong for a retoucher, each with one sentence that names the file and the way out.
 */
package carezza.problem;
