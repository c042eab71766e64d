/** What there is to do on a picture: findings, what treats them, and what fits into the time. */
@NullMarked
package carezza.plan;

import org.jspecify.annotations.NullMarked;
