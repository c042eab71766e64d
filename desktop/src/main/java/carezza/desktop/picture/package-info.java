/** The part of the photograph that a view shows, and its pixels. */
package carezza.desktop.picture;
