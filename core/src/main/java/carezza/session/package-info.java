/** An opened retouch at work: its renderer, its regions, its deliveries. */
@NullMarked
package carezza.session;

import org.jspecify.annotations.NullMarked;
