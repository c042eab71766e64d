/** Where the finished picture is written. */
@NullMarked
package carezza.desktop.view.deliver;

import org.jspecify.annotations.NullMarked;
