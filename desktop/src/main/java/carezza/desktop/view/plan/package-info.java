/** The plan: what was found in the picture, what treats it, and a draft of it. */
@NullMarked
package carezza.desktop.view.plan;

import org.jspecify.annotations.NullMarked;
