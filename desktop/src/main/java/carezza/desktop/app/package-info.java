/** The window: views, sheets, keys, and what opens and writes files. */
package carezza.desktop.app;
