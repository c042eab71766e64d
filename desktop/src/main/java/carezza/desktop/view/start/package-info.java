/** Where one begins. */
package carezza.desktop.view.start;
