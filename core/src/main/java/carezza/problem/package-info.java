/**
 * What can go wrong for a retoucher, each with one sentence that names the file and the way out.
 */
@NullMarked
package carezza.problem;

import org.jspecify.annotations.NullMarked;
