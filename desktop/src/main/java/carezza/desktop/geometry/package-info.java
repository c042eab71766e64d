/** Handles on the picture: where they are, and what moving them makes. */
package carezza.desktop.geometry;
