/** What is written on paper about a picture: for the client and for the studio. */
@NullMarked
package carezza.desktop.sheet;

import org.jspecify.annotations.NullMarked;
