/**
 * One kernel per kind of layer, each file in the same order: what it does and where the formula
 * comes from, its readings, the area it needs, its pixels. {@link carezza.kernel.Kernels} picks the
 * kernel.
 */
@NullMarked
package carezza.kernel;

import org.jspecify.annotations.NullMarked;
