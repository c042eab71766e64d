/** The panel of each kind of layer. */
package carezza.desktop.layer;
