/** Icons and greys. */
package carezza.desktop.style;
