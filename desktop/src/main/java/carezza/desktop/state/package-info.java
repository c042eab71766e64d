/**
 * What the window is about: values that views follow, and the rules between them. Nothing here
 * knows a control.
 */
@NullMarked
package carezza.desktop.state;

import org.jspecify.annotations.NullMarked;
