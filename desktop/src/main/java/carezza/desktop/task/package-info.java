/** Work off the interface thread, and what is told of what goes wrong there. */
package carezza.desktop.task;
