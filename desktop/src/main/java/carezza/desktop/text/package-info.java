/** What the window says. */
package carezza.desktop.text;
