/** Where the picture is worked on. */
@NullMarked
package carezza.desktop.view.bench;

import org.jspecify.annotations.NullMarked;
