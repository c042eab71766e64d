/** The picture with all ways of seeing it. */
package carezza.desktop.view.picture;
