/** What a press on the picture means, one class a tool, and what is drawn over the picture. */
package carezza.desktop.tool;
