/** What every view of the window is. */
package carezza.desktop.view;
