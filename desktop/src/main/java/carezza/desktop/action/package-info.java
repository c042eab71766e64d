/** All that can be done, once: names, keys, menus. */
@NullMarked
package carezza.desktop.action;

import org.jspecify.annotations.NullMarked;
